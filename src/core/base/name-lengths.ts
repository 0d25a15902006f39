/** Maximum lengths of names, in bytes of UTF-8. */
export const MAX_NAME_BYTES = 60
export const MAX_LAYER_NAME_BYTES = 24
export const MAX_BINDING_NAME_BYTES = 32
export const MAX_STEP_NAME_BYTES = 24
export const MAX_MACRO_NAME_BYTES = 32
export const MAX_EFFECT_NAME_BYTES = 24

/** Limits for a device name in characters and in bytes of UTF-8, so that it fits one report. */
export const MAX_DEVICE_NAME_CHARACTERS = 24
export const MAX_DEVICE_NAME_BYTES = 48
