import { message, type Message } from '../message/message'

/**
 * Consumer page (0x0C) of the HID Usage Tables 1.5, section 15: controls that are useful on a mouse button or a key.
 * `id` is the name in data, `label` the text for people, `words` other texts they may type.
 */
export interface ConsumerUsage {
  usage: number
  id: string
  label: Message
  words: readonly string[]
}

const table: [usage: number, id: string, label: Message, ...words: string[]][] = [
  [0x6f, 'brightnessUp', message('names.screenBrighter'), 'screen brighter', 'brightness up'],
  [0x70, 'brightnessDown', message('names.screenDimmer'), 'screen dimmer', 'brightness down'],
  [0xb2, 'record', message('names.record'), 'record', 'media record'],
  [0xb3, 'fastForward', message('names.fastForward'), 'fast forward', 'forward media'],
  [0xb4, 'rewind', message('names.rewind'), 'rewind', 'rewind media'],
  [0xb5, 'nextTrack', message('names.nextTrack'), 'next track', 'next song', 'skip track'],
  [0xb6, 'previousTrack', message('names.previousTrack'), 'previous track', 'previous song', 'last track'],
  [0xb7, 'stopMedia', message('names.stopPlaying'), 'stop playing', 'stop media', 'media stop'],
  [0xb8, 'eject', message('names.eject'), 'eject', 'eject disc'],
  [0xcd, 'playPause', message('names.playOrPause'), 'play or pause', 'play', 'play/pause', 'play pause'],
  [0xe2, 'mute', message('names.mute'), 'mute', 'mute sound', 'silence'],
  [0xe5, 'bassBoost', message('names.bassBoost'), 'bass boost', 'boost bass'],
  [0xe9, 'volumeUp', message('names.volumeUp'), 'volume up', 'louder', 'vol up', 'volume +'],
  [0xea, 'volumeDown', message('names.volumeDown'), 'volume down', 'quieter', 'vol down', 'volume -'],
  [0x152, 'bassUp', message('names.bassUp'), 'bass up', 'more bass'],
  [0x153, 'bassDown', message('names.bassDown'), 'bass down', 'less bass'],
  [0x154, 'trebleUp', message('names.trebleUp'), 'treble up', 'more treble'],
  [0x155, 'trebleDown', message('names.trebleDown'), 'treble down', 'less treble'],
  [0x18a, 'mail', message('names.mail'), 'mail', 'email', 'open mail'],
  [0x192, 'calculator', message('names.calculator'), 'calculator', 'open calculator'],
  [0x194, 'files', message('names.files'), 'files', 'file browser', 'my computer'],
  [0x196, 'browser', message('names.webBrowser'), 'web browser', 'browser', 'open browser'],
  [0x221, 'search', message('names.search'), 'search', 'web search'],
  [0x223, 'webHome', message('names.webHome'), 'web home', 'browser home'],
  [0x224, 'webBack', message('names.webBack'), 'web back', 'browser back'],
  [0x225, 'webForward', message('names.webForward'), 'web forward', 'browser forward'],
  [0x227, 'webRefresh', message('names.webRefresh'), 'web refresh', 'refresh', 'reload'],
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
