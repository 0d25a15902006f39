import type { LayoutRows } from './layout'

/** Dvorak. Made by scripts/keyboard-layouts.ts. */
export const DVORAK: LayoutRows = {
  mac: 'ANSI',
  windows: [
    '`~ 1! 2@ 3# 4$ 5% 6^ 7& 8* 9( 0) [{ ]}',
    '\'" ,< .> pP yY fF gG cC rR lL /? =+',
    'aA oO eE uU iI dD hH tT nN sS -_ \\|',
    '␀ ;: qQ jJ kK xX bB mM wW vV zZ ␀',
  ],
  macos: [
    '`~\u0300` 1!¡\u2044 2@™€ 3#£\u2039 4$¢\u203a 5%∞ﬁ 6^§ﬂ 7&¶\u2021 8*\u2022° 9(ª· 0)º\u201a [{\u201c\u201d ]}\u2018\u2019',
    '\'"æÆ ,<≤¯ .>≥˘ pPπ∏ yY¥Á fFƒÏ gG©˝ cCçÇ rR®\u2030 lL¬Ò /?÷¿ =+≠±',
    'aAåÅ oOøØ eE\u0301´ uU\u0308¨ iI\u0302ˆ dD∂Î hH˙Ó tT\u2020ˇ nN\u0303˜ sSßÍ -_\u2013\u2014 \\|«»',
    '§±§± ;:\u2026Ú qQœŒ jJ∆Ô kK˚\uf8ff xX≈˛ bB∫ı mMµÂ wW∑\u201e vV√◊ zZΩ¸ ␀',
  ],
  linux: [
    '`~\u0300\u0303 1! 2@ 3# 4$ 5% 6^\u0302\u0302 7& 8* 9(\u0300\u0306 0) [{ ]}\u0303',
    '\'"\u0301\u0308 ,<\u0327\u030c .>\u0307· pP yY fF gG cC rR lL /? =+',
    'aA oO eE uU iI dD hH tT nN sS -_ \\|',
    '␀ ;:\u0328\u030b qQ jJ kK xX bB mM wW vV zZ ␀',
  ],
}
