/** Bytes that names may take in UTF-8. */
export const MOST_NAME_BYTES = 60
export const MOST_LAYER_NAME_BYTES = 24
export const MOST_BINDING_NAME_BYTES = 32
export const MOST_STEP_NAME_BYTES = 24
export const MOST_MACRO_NAME_BYTES = 32
export const MOST_EFFECT_NAME_BYTES = 24

/** What a person calls a device: characters, and bytes in UTF-8, so that it fits one report. */
export const MOST_DEVICE_NAME = 24
export const MOST_DEVICE_NAME_BYTES = 48
