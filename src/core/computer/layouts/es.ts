import type { LayoutRows } from './layout'

/** Spanish. Made by scripts/keyboard-layouts.ts. */
export const ES: LayoutRows = {
  mac: 'ISO',
  windows: [
    'ºª\\ 1!| 2"@ 3·# 4$\u0303 5%€ 6&¬ 7/ 8( 9) 0= \'? ¡¿',
    'qQ wW eE€ rR tT yY uU iI oO pP \u0300\u0302[ +*]',
    'aA sS dD fF gG hH jJ kK lL ñÑ \u0301\u0308{ çÇ}',
    '<> zZ xX cC vV bB nN mM ,; .: -_ ␀',
  ],
  macos: [
    'ºª\\° 1!|ı 2"@˝ 3·#\u2022 4$¢£ 5%∞\u2030 6&¬␠ 7/÷\u2044 8(\u201c\u2018 9)\u201d\u2019 0=≠≈ \'?´¸ ¡¿\u201a˛',
    'qQœŒ wWæÆ eE€€ rR®␠ tT\u2020\u2021 yY¥␠ uU␠␠ iI␠␠ oOøØ pPπ∏ \u0300\u0302[ˆ +*]±',
    'aAåÅ sS∫␠ dD∂∆ fFƒﬁ gG\uf8ffﬂ hH™␠ jJ¶¯ kK§ˇ lL␠˘ ñÑ\u0303˜ \u0301\u0308{« çÇ}»',
    '<>≤≥ zZΩ\u2039 xX∑\u203a cC©␠ vV√◊ bBß nN␠˙ mMµ˚ ,;\u201e .:\u2026\u2026 -_\u2013\u2014 ␀',
  ],
  linux: [
    'ºª\\\\ 1!|¡ 2"@⅛ 3·#£ 4$~$ 5%½⅜ 6&¬⅝ 7/{⅞ 8([™ 9)]± 0=}° \'?\\¿ ¡¿\u0327\u0328',
    'qQ@Ω wWſ§ eE€¢ rR¶® tTŧŦ yY←¥ uU↓↑ iI→ı oOøØ pPþÞ \u0300\u0302[\u030a +*]\u0304',
    'aAæÆ sSßẞ dDðÐ fFđª gGŋŊ hHħĦ jJ\u0309\u031b kKĸ& lLłŁ ñÑ\u0303\u030b \u0301\u0308{\u030c çÇ}\u0306',
    '<>|¦ zZ«< xX»> cC¢© vV\u201e\u201a bB\u201c\u2018 nN\u201d\u2019 mMµº ,;\u2022× .:·÷ -_\u0323\u0307 ␀',
  ],
}
