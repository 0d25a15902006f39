import type { LayoutRows } from './layout'

/** Portuguese: Portugal. Made by scripts/keyboard-layouts.ts. */
export const PT: LayoutRows = {
  mac: 'ISO',
  windows: [
    '\\| 1! 2"@ 3#£ 4$§ 5%€ 6& 7/{ 8([ 9)] 0=} \'? «»',
    'qQ wW eE€ rR tT yY uU iI oO pP +*\u0308 \u0301\u0300]',
    'aA sS dD fF gG hH jJ kK lL çÇ ºª \u0303\u0302',
    '<> zZ xX cC vV bB nN mM ,; .: -_ ␀',
  ],
  macos: [
    '`~ 1! 2"@ 3# 4$ 5% 6& 7/ 8([{ 9)]} 0= \'? +*',
    'qQ wW eE rR tT yY uU iI oO pP ºª \u0301\u0300',
    'aA sS dD fF gG hH jJ kK lL çÇ \u0303\u0302 \\|',
    '<> zZ xX cC vV bB nN mM ,; .: -_ ␀',
  ],
  linux: [
    '\\|¬¬ 1!¹¡ 2"@⅛ 3#££ 4$§$ 5%½⅜ 6&¬⅝ 7/{⅞ 8([™ 9)]± 0=}° \'?\\¿ «»\u0327\u0328',
    'qQ@Ω wWſ§ eE€¢ rR¶® tTŧŦ yY←¥ uU↓↑ iI→ı oOøØ pPþÞ +*\u0308\u030a \u0301\u0300\u0303\u0304',
    'aAæÆ sSßẞ dDðÐ fFđª gGŋŊ hHħĦ jJ\u0309\u031b kKĸ& lLłŁ çÇ\u0301\u030b ºª\u0302\u030c \u0303\u0302\u0300\u0306',
    '<>\\\\ zZ«< xX»> cC¢© vV\u201e\u201a bB\u201c\u2018 nN\u201d\u2019 mMµº ,;\u2022× .:·÷ -_\u0323\u0307 ␀',
  ],
}
