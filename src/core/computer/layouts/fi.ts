import type { LayoutRows } from './layout'
import { NORDIC } from './nordic'

/** Finnish. Made by scripts/keyboard-layouts.ts. */
export const FI: LayoutRows = {
  mac: 'ISO',
  windows: NORDIC.windows,
  macos: NORDIC.macos,
  linux: [
    '§½\u0335 1!␀¡ 2"@\u201d 3#£» 4¤$« 5%\u2030\u201c 6&\u201a\u201e 7/{ 8([< 9)]> 0=}° +?\\¿ \u0301\u0300\u0327\u0328',
    'qQqQ wWwW eE€ rRrR tTþÞ yYyY uUuU iIı| oOœŒ pP\u031b\u0309 åÅ\u030b\u030a \u0308\u0302\u0303\u0304',
    "aAəƏ sSßẞ dDðÐ fFfF gGgG hHhH jJjJ kKĸ lL\u0335 öÖøØ äÄæÆ '*\u030c\u0306",
    '<>| zZʒƷ xX×· cCcC vVvV bBbB nNŋŊ mMµ\u2014 ,;\u2019\u2018 .:\u0323\u0307 -_\u2013 ␀',
  ],
}
