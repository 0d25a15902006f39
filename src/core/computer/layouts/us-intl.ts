import type { LayoutRows } from './layout'
import { BR } from './br'

/** US International. Made by scripts/keyboard-layouts.ts. */
export const US_INTL: LayoutRows = {
  mac: 'ANSI',
  windows: [
    '\u0300\u0303 1!¡¹ 2@² 3#³ 4$¤£ 5%€ 6\u0302¼ 7&½ 8*¾ 9(\u2018 0)\u2019 -_¥ =+×÷',
    'qQäÄ wWåÅ eEéÉ rR® tTþÞ yYüÜ uUúÚ iIíÍ oOóÓ pPöÖ [{« ]}»',
    'aAáÁ sSß§ dDðÐ fF gG hH jJ kK lLøØ ;:¶° \u0301\u0308´¨ \\|¬¦',
    '\\| zZæÆ xX cC©¢ vV bB nNñÑ mMµ ,<çÇ .> /?¿ ␀',
  ],
  macos: BR.macos,
  linux: [
    '\u0300\u0303`~ 1!¡¹ 2@²\u030b 3#³\u0304 4$¤£ 5%€\u0327 6\u0302¼^ 7&½\u031b 8*¾\u0328 9(\u2018\u0306 0)\u2019\u030a -_¥\u0323 =+×÷',
    'qQäÄ wWåÅ eEéÉ rR®® tTþÞ yYüÜ uUúÚ iIíÍ oOóÓ pPöÖ [{«\u201c ]}»\u201d',
    'aAáÁ sSß§ dDðÐ fFfF gGgG hHhH jJjJ kKœŒ lLøØ ;:¶° \u0301\u0308\'" \\|¬¦',
    '\\|\\| zZæÆ xXxX cC©¢ vVvV bBbB nNñÑ mMµµ ,<çÇ .>\u0307\u030c /?¿\u0309 ␀',
  ],
}
