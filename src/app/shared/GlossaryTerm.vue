<script setup lang="ts">
import { t } from '../../messages/page'
import { useHelp } from './help'

/** A glossary term in a text; a press shows its definition. */
defineProps<{ of: string }>()
const { term } = useHelp()
</script>

<template>
  <v-btn
    variant="plain"
    class="h-auto underline decoration-dotted underline-offset-3 [font:inherit]"
    :title="t('shared.definition')"
    @click="term = of"
    ><slot
  /></v-btn>
</template>
