import type { LayoutRows } from './layout'

/** US International. Made by scripts/keyboard-layouts.ts. */
export const US_INTL: LayoutRows = {
  windows: [
    '\u0300\u0303 1!¡¹ 2@² 3#³ 4$¤£ 5%€ 6\u0302¼ 7&½ 8*¾ 9(\u2018 0)\u2019 -_¥ =+×÷',
    'qQäÄ wWåÅ eEéÉ rR® tTþÞ yYüÜ uUúÚ iIíÍ oOóÓ pPöÖ [{« ]}»',
    'aAáÁ sSß§ dDðÐ fF gG hH jJ kK lLøØ ;:¶° \u0301\u0308´¨ \\|¬¦',
    '\\| zZæÆ xX cC©¢ vV bB nNñÑ mMµ ,<çÇ .> /?¿ ␀',
  ],
  macos: [
    '\u0300\u0303\u0300` 1!¡\u2044 2@™€ 3#£\u2039 4$¢\u203a 5%∞ﬁ 6\u0302§ﬂ 7&¶\u2021 8*\u2022° 9(ª· 0)º\u201a -_\u2013\u2014 =+≠±',
    'qQœŒ wW∑\u201e eE\u0301´ rR®\u2030 tT\u2020ˇ yY¥Á uU\u0308¨ iI\u0302ˆ oOøØ pPπ∏ [{\u201c\u201d ]}\u2018\u2019',
    'aAåÅ sSßÍ dD∂Î fFƒÏ gG©˝ hH˙Ó jJ∆Ô kK˚\uf8ff lL¬Ò ;:\u2026Ú \u0301\u0308æÆ \\|«»',
    '§±§± zZΩ¸ xX≈˛ cCçÇ vV√◊ bB∫ı nN\u0303˜ mMµÂ ,<≤¯ .>≥˘ /?÷¿ ␀',
  ],
  linux: [
    '\u0300\u0303`~ 1!¡¹ 2@²\u030b 3#³\u0304 4$¤£ 5%€\u0327 6\u0302¼^ 7&½\u031b 8*¾\u0328 9(\u2018\u0306 0)\u2019\u030a -_¥\u0323 =+×÷',
    'qQäÄ wWåÅ eEéÉ rR®® tTþÞ yYüÜ uUúÚ iIíÍ oOóÓ pPöÖ [{«\u201c ]}»\u201d',
    'aAáÁ sSß§ dDðÐ fFfF gGgG hHhH jJjJ kKœŒ lLøØ ;:¶° \u0301\u0308\'" \\|¬¦',
    '\\|\\| zZæÆ xXxX cC©¢ vVvV bBbB nNñÑ mMµµ ,<çÇ .>\u0307\u030c /?¿\u0309 ␀',
  ],
}
