<template>
  <v-app>
    <v-app-bar title="Bare" />
    <v-navigation-drawer permanent rail>
      <v-list><v-list-item title="One" /><v-list-item title="Two" /></v-list>
    </v-navigation-drawer>
    <v-main>
      <v-card title="Card">
        <v-tabs><v-tab>One</v-tab><v-tab>Two</v-tab></v-tabs>
        <v-divider />
        <v-btn>Button</v-btn>
        <v-chip>Chip</v-chip>
        <v-text-field label="Text" />
        <v-select label="Select" :items="['a', 'b']" />
        <v-checkbox label="Tick" />
        <v-switch label="Switch" />
        <v-radio-group><v-radio label="Radio" value="a" /></v-radio-group>
        <v-slider label="Slider" />
        <v-progress-linear model-value="30" />
        <v-alert text="Alert" />
        <v-table><tbody /></v-table>
        <v-expansion-panels><v-expansion-panel title="Panel" text="Text" /></v-expansion-panels>
        <p id="drawn">drawn</p>
      </v-card>
    </v-main>
    <v-footer app>Foot</v-footer>
  </v-app>
</template>
