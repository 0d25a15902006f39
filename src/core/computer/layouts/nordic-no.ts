import type { LayoutRows } from './layout'

/** Norwegian. Made by scripts/keyboard-layouts.ts. */
export const NORDIC_NO: LayoutRows = {
  mac: 'ISO',
  windows: [
    '|§ 1! 2"@ 3#£ 4¤$ 5%€ 6& 7/{ 8([ 9)] 0=} +? \\\u0300\u0301',
    'qQ wW eE€ rR tT yY uU iI oO pP åÅ \u0308\u0302\u0303',
    "aA sS dD fF gG hH jJ kK lL øØ æÆ '*",
    '<> zZ xX cC vV bB nN mMµ ,; .: -_ ␀',
  ],
  macos: [
    '\'§ 1! 2"@⅛ 3#££ 4␀$$ 5% 6& 7/|\\ 8([{ 9)]} 0= +? \u0300\u0301\u0301',
    'qQ wW eE rR tT yY uU iI oO pP åÅ \u0308\u0302\u0303',
    'aA sS dD fF gG hH jJ kK lL øØ æÆ @*',
    '<> zZ xX cC vV bB nN mM ,; .: -_ ␀',
  ],
  linux: [
    '|§¦¶ 1!¡¹ 2"@² 3#£³ 4¤$¼ 5%½ 6&¥⅝ 7/{÷ 8([« 9)]» 0=}° +?±¿ \\\u0300\u0301¬',
    'qQ@Ω wWſ§ eE€¢ rR®™ tTþÞ yY←¥ uU↓↑ iI→ı oOœŒ pPπΠ åÅ\u0308\u030a \u0308\u0302\u0303\u030c',
    "aAªº sSßẞ dDðÐ fFđª gGŋŊ hHħĦ jJ\u0309\u031b kKĸ& lLłŁ øØ\u0301\u030b æÆ\u0302\u030c '*\u030b×",
    '<>½¾ zZ«< xX»> cC©© vV\u201e\u201a bB\u201c\u2018 nN\u201d\u2019 mMµº ,;\u0327\u0328 .:\u2026· -_\u2013\u2014 ␀',
  ],
}
