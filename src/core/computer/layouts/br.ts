import type { LayoutRows } from './layout'

/** Portuguese: Brazil. Made by scripts/keyboard-layouts.ts. */
export const BR: LayoutRows = {
  mac: 'ANSI',
  windows: [
    '\'" 1!¹ 2@² 3#³ 4$£ 5%¢ 6\u0308¬ 7& 8* 9( 0) -_ =+§',
    'qQ/ wW? eE° rR tT yY uU iI oO pP \u0301\u0300 [{ª',
    'aA sS dD fF gG hH jJ kK lL çÇ \u0303\u0302 ]}º',
    '\\| zZ xX cC₢ vV bB nN mM ,< .> ;: /?°',
  ],
  macos: [
    '\u0300\u0303\u0300` 1!¡\u2044 2@™€ 3#£\u2039 4$¢\u203a 5%∞ﬁ 6\u0302§ﬂ 7&¶\u2021 8*\u2022° 9(ª· 0)º\u201a -_\u2013\u2014 =+≠±',
    'qQœŒ wW∑\u201e eE\u0301´ rR®\u2030 tT\u2020ˇ yY¥Á uU\u0308¨ iI\u0302ˆ oOøØ pPπ∏ [{\u201c\u201d ]}\u2018\u2019',
    'aAåÅ sSßÍ dD∂Î fFƒÏ gG©˝ hH˙Ó jJ∆Ô kK˚\uf8ff lL¬Ò ;:\u2026Ú \u0301\u0308æÆ \\|«»',
    '§±§± zZΩ¸ xX≈˛ cCçÇ vV√◊ bB∫ı nN\u0303˜ mMµÂ ,<≤¯ .>≥˘ /?÷¿ ␀',
  ],
  linux: [
    '\'"¬¬ 1!¹¡ 2@²½ 3#³¾ 4$£¼ 5%¢⅜ 6\u0308¬¨ 7&{⅞ 8*[™ 9(]± 0)}° -_\\¿ =+§\u0328',
    'qQ// wW?? eE°° rR®® tTŧŦ yY←¥ uU↓↑ iI→ı oOøØ pPþÞ \u0301\u0300´` [{ª\u0304',
    'aAæÆ sSßẞ dDðÐ fFđª gGŋŊ hHħĦ jJ\u0309\u031b kKĸ& lLłŁ çÇ\u0301\u030b \u0303\u0302~^ ]}ºº',
    '\\|\u030c\u0306 zZ«< xX»> cC©© vV\u201e\u201a bB\u201c\u2018 nN\u201d\u2019 mMµµ ,<\u2022× .>·÷ ;:\u0323\u0307 /?°¿',
  ],
}
