import { describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick, ref } from 'vue'

const replaced: unknown[] = []
const route = { query: {}, matched: [{}] }
vi.mock('vue-router', async (original) => ({
  ...(await original<object>()),
  useRoute: () => route,
  useRouter: () => ({
    replace: (to: unknown) => replaced.push(to),
    beforeEach: () => () => {},
    afterEach: () => () => {},
    onError: () => () => {},
  }),
}))
const { useAddressValue } = await import('./address-value')

describe('the open place in the address', () => {
  it('is written once it is stable, and no more after its view was left', async () => {
    vi.useFakeTimers()
    const input = ref<string>()
    const view = effectScope()
    view.run(() =>
      useAddressValue(
        ['input'],
        () => ({ input: input.value }),
        () => {},
      ),
    )
    input.value = 'left'
    await nextTick()
    expect(replaced).toEqual([])
    vi.advanceTimersByTime(1000)
    expect(replaced).toEqual([{ query: { input: 'left' } }])
    input.value = 'right'
    await nextTick()
    view.stop()
    vi.advanceTimersByTime(1000)
    expect(replaced).toHaveLength(1)
    vi.useRealTimers()
  })
})
