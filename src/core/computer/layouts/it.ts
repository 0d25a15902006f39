import type { LayoutRows } from './layout'

/** Italian. Made by scripts/keyboard-layouts.ts. */
export const IT: LayoutRows = {
  mac: 'ISO',
  windows: [
    '\\| 1! 2" 3£ 4$ 5%€ 6& 7/ 8( 9) 0= \'? ì^',
    'qQ wW eE€ rR tT yY uU iI oO pP èé[{ +*]}',
    'aA sS dD fF gG hH jJ kK lL òç@ à°# ù§',
    '<> zZ xX cC vV bB nN mM ,; .: -_ ␀',
  ],
  macos: [
    '\\|`ı 1!«» 2"\u201c\u201d 3£\u2018\u2019 4$¥¢ 5%~\u2030 6&\u2039\u203a 7/÷\u2044 8(\u0301\uf8ff 9)\u0300␠ 0=≠≈ \'?¡¿ ì^\u0302±',
    'qQ\u201e\u201a wWΩÀ eE€È rR®Ì tT™Ò yYæÆ uU\u0308Ù iIœŒ oOøØ pPπ∏ èé[{ +*]}',
    'aAåÅ sSß¯ dD∂˘ fFƒ˙ gG∞˚ hH∆¸ jJª˝ kKº˛ lL¬ˇ òç@Ç à°#∞ ù§¶◊',
    '<>≤≥ zZ∑␠ xX\u2020\u2021 cC©Á vV√É bB∫Í nN\u0303Ó mMµÚ ,;\u2026␠ .:\u2022· -_\u2013\u2014 ␀',
  ],
  linux: [
    '\\|¬¦ 1!¹¡ 2"²\u030b 3£³\u0303 4$¼⅛ 5%½⅜ 6&¬⅝ 7/{⅞ 8([™ 9)]± 0=}\u0328 \'?`¿ ì^~\u0302',
    'qQ@Ω wWſ§ eE€¢ rR¶® tTŧŦ yY←¥ uU↓↑ iI→ı oOøØ pPþÞ èé[{ +*]}',
    'aAæÆ sSßẞ dDðÐ fFđª gGŋŊ hHħĦ jJ\u0309\u031b kKĸ& lLłŁ òç@\u0327 à°#\u030a ù§\u0300\u0306',
    '<>«» zZ«< xX»> cC¢© vV\u201c\u2018 bB\u201d\u2019 nNñÑ mMµº ,;\u0301× .:·\u0308 -_\u0304÷ ␀',
  ],
}
