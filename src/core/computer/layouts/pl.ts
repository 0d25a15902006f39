import type { LayoutRows } from './layout'

/** Polish. Made by scripts/keyboard-layouts.ts. */
export const PL: LayoutRows = {
  mac: 'ANSI',
  windows: [
    '`\u0303 1! 2@ 3# 4$ 5% 6^ 7& 8* 9( 0) -_ =+',
    'qQ wW eEęĘ rR tT yY uU€ iI oOóÓ pP [{ ]}',
    'aAąĄ sSśŚ dD fF gG hH jJ kK lLłŁ ;: \'" \\|',
    '\\| zZżŻ xXźŹ cCćĆ vV bB nNńŃ mM ,< .> /? ␀',
  ],
  macos: [
    '`~\u0300Ŕ 1!Ńŕ 2@™Ř 3#€\u2039 4$ß\u203a 5%įř 6^§Ŗ 7&¶ŗ 8*\u2022° 9(ĽŠ 0)ľ\u201a -_\u2013\u2014 =+≠Ī',
    'qQŌő wW∑\u201e eEęĘ rR®£ tT\u2020ś yYīÁ uU\u0308Ť iI\u0302ť oOóÓ pPĻł [{\u201e\u201d ]}\u201a\u2019',
    'aAąĄ sSśŚ dD∂Ž fFńž gG©Ū hHķÓ jJ∆Ô kKŻū lLłŁ ;:\u2026Ú \'"ĺģ \\|«»',
    '§£¬¬ zZżŻ xXźŹ cCćĆ vV√◊ bBļű nNńŃ mMĶų ,<≤Ý .>≥ý /?÷ņ ␀',
  ],
  linux: [
    '`~¬∨ 1!≠¡ 2@²¿ 3#³£ 4$¢¼ 5%€\u2030 6^½∧ 7&§≈ 8*·¾ 9(«± 0)»° -_\u2013\u2014 =+\u0327\u0328',
    'qQπΩ wWœŒ eEęĘ rR©® tTß™ yY←¥ uU↓↑ iI→↔ oOóÓ pPþÞ [{\u0308\u030a ]}\u0303\u0304',
    'aAąĄ sSśŚ dDðÐ fFæÆ gGŋŊ hH\u2019\u2022 jJəƏ kK\u2026\u0335 lLłŁ ;:\u0301\u030b \'"\u0302\u030c \\|\u0300\u0306',
    '<>|¦ zZżŻ xXźŹ cCćĆ vV\u201e\u2018 bB\u201d\u201c nNńŃ mMµ∞ ,<≤× .>≥÷ /?\u0323\u0307 ␀',
  ],
}
