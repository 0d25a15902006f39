/**
 * Consumer page (0x0C) of the HID Usage Tables 1.5, section 15: controls that are useful on a mouse button or a key.
 * `id` is the name in data, `label` the text for people, `words` other texts they may type.
 */
export interface ConsumerUsage {
  usage: number
  id: string
  label: string
  words: readonly string[]
}

const table: [usage: number, id: string, label: string, ...words: string[]][] = [
  [0x6f, 'brightnessUp', 'Screen brighter', 'brightness up'],
  [0x70, 'brightnessDown', 'Screen dimmer', 'brightness down'],
  [0xb2, 'record', 'Record', 'media record'],
  [0xb3, 'fastForward', 'Fast forward', 'forward media'],
  [0xb4, 'rewind', 'Rewind', 'rewind media'],
  [0xb5, 'nextTrack', 'Next track', 'next song', 'skip track'],
  [0xb6, 'previousTrack', 'Previous track', 'previous song', 'last track'],
  [0xb7, 'stopMedia', 'Stop playing', 'stop media', 'media stop'],
  [0xb8, 'eject', 'Eject', 'eject disc'],
  [0xcd, 'playPause', 'Play or pause', 'play', 'play/pause', 'play pause'],
  [0xe2, 'mute', 'Mute', 'mute sound', 'silence'],
  [0xe5, 'bassBoost', 'Bass boost', 'boost bass'],
  [0xe9, 'volumeUp', 'Volume up', 'louder', 'vol up', 'volume +'],
  [0xea, 'volumeDown', 'Volume down', 'quieter', 'vol down', 'volume -'],
  [0x152, 'bassUp', 'Bass up', 'more bass'],
  [0x153, 'bassDown', 'Bass down', 'less bass'],
  [0x154, 'trebleUp', 'Treble up', 'more treble'],
  [0x155, 'trebleDown', 'Treble down', 'less treble'],
  [0x18a, 'mail', 'Mail', 'email', 'open mail'],
  [0x192, 'calculator', 'Calculator', 'open calculator'],
  [0x194, 'files', 'Files', 'file browser', 'my computer'],
  [0x196, 'browser', 'Web browser', 'browser', 'open browser'],
  [0x221, 'search', 'Search', 'web search'],
  [0x223, 'webHome', 'Web home', 'browser home'],
  [0x224, 'webBack', 'Web back', 'browser back'],
  [0x225, 'webForward', 'Web forward', 'browser forward'],
  [0x227, 'webRefresh', 'Web refresh', 'refresh', 'reload'],
]

/** The consumer controls Unisera can bind, ordered by usage. */
export const CONSUMER_USAGES: readonly ConsumerUsage[] = table.map(([usage, id, label, ...words]) => ({
  usage,
  id,
  label,
  words,
}))

const byId = new Map(CONSUMER_USAGES.map((control) => [control.id, control]))
const byUsage = new Map(CONSUMER_USAGES.map((control) => [control.usage, control]))

/** The control with an id such as `volumeUp`, or undefined. */
export const consumerById = (id: string): ConsumerUsage | undefined => byId.get(id)

/** The control with a consumer-page usage, or undefined. */
export const consumerByUsage = (usage: number): ConsumerUsage | undefined => byUsage.get(usage)
