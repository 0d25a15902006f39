import { keysOf } from '../../base/tables'
import type { LayoutId } from './index'

/** Every layout by its id alone, for who needs to know which there are and none of their tables. */
const ALL: Record<LayoutId, true> = {
  us: true,
  uk: true,
  de: true,
  fr: true,
  es: true,
  nordic: true,
  'nordic-no': true,
  'nordic-dk': true,
  fi: true,
  pt: true,
  br: true,
  it: true,
  pl: true,
  ch: true,
  'us-intl': true,
  dvorak: true,
}
export const KNOWN_LAYOUTS = keysOf(ALL)
