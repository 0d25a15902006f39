/// <reference types="vite/client" />
declare module '*.css'
declare module 'vuetify/styles/core'
declare module '@fontsource-variable/archivo'

/** The version of package.json, put in by the build. */
declare const __UNISERA_VERSION__: string
