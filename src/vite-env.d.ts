/// <reference types="vite/client" />
declare module '*.css'
declare module 'vuetify/styles/core'
declare module '@fontsource-variable/archivo'
