import type { LayoutRows } from './layout'

/** US. Made by scripts/keyboard-layouts.ts. */
export const US: LayoutRows = {
  mac: 'ANSI',
  windows: [
    '`~ 1! 2@ 3# 4$ 5% 6^ 7& 8* 9( 0) -_ =+',
    'qQ wW eE rR tT yY uU iI oO pP [{ ]}',
    'aA sS dD fF gG hH jJ kK lL ;: \'" \\|',
    '\\| zZ xX cC vV bB nN mM ,< .> /? ␀',
  ],
  macos: [
    '`~\u0300` 1!¡\u2044 2@™€ 3#£\u2039 4$¢\u203a 5%∞ﬁ 6^§ﬂ 7&¶\u2021 8*\u2022° 9(ª· 0)º\u201a -_\u2013\u2014 =+≠±',
    'qQœŒ wW∑\u201e eE\u0301´ rR®\u2030 tT\u2020ˇ yY¥Á uU\u0308¨ iI\u0302ˆ oOøØ pPπ∏ [{\u201c\u201d ]}\u2018\u2019',
    'aAåÅ sSßÍ dD∂Î fFƒÏ gG©˝ hH˙Ó jJ∆Ô kK˚\uf8ff lL¬Ò ;:\u2026Ú \'"æÆ \\|«»',
    '§±§± zZΩ¸ xX≈˛ cCçÇ vV√◊ bB∫ı nN\u0303˜ mMµÂ ,<≤¯ .>≥˘ /?÷¿ ␀',
  ],
  linux: [
    '`~ 1! 2@ 3# 4$ 5% 6^ 7& 8* 9( 0) -_ =+',
    'qQ wW eE rR tT yY uU iI oO pP [{ ]}',
    'aA sS dD fF gG hH jJ kK lL ;: \'" \\|',
    '␀ zZ xX cC vV bB nN mM ,< .> /? ␀',
  ],
}
