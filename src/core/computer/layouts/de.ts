import type { LayoutRows } from './layout'

/** German. Made by scripts/keyboard-layouts.ts. */
export const DE: LayoutRows = {
  mac: 'ISO',
  windows: [
    '\u0302° 1! 2"² 3§³ 4$ 5% 6& 7/{ 8([ 9)] 0=} ß?\\ẞ \u0301\u0300',
    'qQ@ wW eE€ rR tT zZ uU iI oO pP üÜ +*~',
    "aA sS dD fF gG hH jJ kK lL öÖ äÄ #'",
    '<>| yY xX cC vV bB nN mMµ ,; .: -_ ␀',
  ],
  macos: [
    '\u0302°\u201e\u201c 1!¡¬ 2"\u201c\u201d 3§¶# 4$¢£ 5%[ﬁ 6&]\u0302 7/|\\ 8({˜ 9)}· 0=≠¯ ß?¿˙ \u0301\u0300\'˚',
    'qQ«» wW∑\u201e eE€\u2030 rR®¸ tT\u2020˝ zZΩˇ uU\u0308Á iI\u2044Û oOøØ pPπ∏ üÜ\u2022° +*±\uf8ff',
    "aAåÅ sS\u201aÍ dD∂™ fFƒÏ gG©Ì hHªÓ jJºı kK∆ˆ lL@ﬂ öÖœŒ äÄæÆ #'\u2018\u2019",
    '<>≤≥ yY¥\u2021 xX≈Ù cCçÇ vV√◊ bB∫\u2039 nN\u0303\u203a mMµ˘ ,;∞˛ .:\u2026÷ -_\u2013\u2014 ␀',
  ],
  linux: [
    '\u0302°\u2032\u2033 1!¹¡ 2"²⅛ 3§³£ 4$¼¤ 5%½⅜ 6&¬⅝ 7/{⅞ 8([™ 9)]± 0=}° ß?\\¿ \u0301\u0300\u0327\u0328',
    'qQ@Ω wWſ§ eE€€ rR¶® tTŧŦ zZ←¥ uU↓↑ iI→ı oOøØ pPþÞ üÜ\u0308\u030a +*~¯',
    "aAæÆ sSſẞ dDðÐ fFđª gGŋŊ hHħĦ jJ\u0323\u0307 kKĸ& lLłŁ öÖ\u030b\u0323 äÄ\u0302\u030c #'\u2019\u0306",
    '<>| yY»\u203a xX«\u2039 cC¢© vV\u201e\u201a bB\u201c\u2018 nN\u201d\u2019 mMµº ,;·× .:\u2026÷ -_\u2013\u2014 ␀',
  ],
}
