import type { LayoutRows } from './layout'

/** French. Made by scripts/keyboard-layouts.ts. */
export const FR: LayoutRows = {
  mac: 'ISO',
  windows: [
    '² &1 é2\u0303 "3# \'4{ (5[ -6| è7\u0300 _8\\ ç9^ à0@ )°] =+}',
    'aA zZ eE€ rR tT yY uU iI oO pP \u0302\u0308 $£¤',
    'qQ sS dD fF gG hH jJ kK lL mM ù% *µ',
    '<> wW xX cC vV bB nN ,? ;. :/ !§ ␀',
  ],
  macos: [
    '@#\u2022Ÿ &1\uf8ff\u0301 é2ë\u201e "3\u201c\u201d \'4\u2018\u2019 (5{[ §6¶å è7«» !8¡Û ç9ÇÁ à0øØ )°}] -_\u2014\u2013',
    'aAæÆ zZÂÅ eEêÊ rR®\u201a tT\u2020™ yYÚŸ uUºª iIîï oOœŒ pPπ∏ \u0302\u0308ôÔ $*€¥',
    'qQ\u2021Ω sSÒ∑ dD∂∆ fFƒ· gGﬁﬂ hHÌÎ jJÏÍ kKÈË lL¬| mMµÓ ù%Ù\u2030 \u0300£@#',
    '<>≤≥ wW\u2039\u203a xX≈\u2044 cC©¢ vV◊√ bBß∫ nN\u0303ı ,?∞¿ ;.\u2026\u2022 :/÷\\ =+≠± ␀',
  ],
  linux: [
    '² &1 é2~ "3# \'4{ (5[ -6| è7` _8\\ ç9^ à0@ )°] =+}',
    'aA zZ eE€ rR tT yY uU iI oO pP \u0302\u0308 $£¤',
    'qQ sS dD fF gG hH jJ kK lL mM ù% *µ',
    '<> wW xX cC vV bB nN ,? ;. :/ !§ ␀',
  ],
}
