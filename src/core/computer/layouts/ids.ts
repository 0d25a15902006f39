import { keysOf } from '../../base/tables'
import type { LayoutId } from './index'

/** Ids of all layouts, for code that needs no tables. */
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
