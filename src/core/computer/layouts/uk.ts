import type { LayoutRows } from './layout'

/** UK. Made by scripts/keyboard-layouts.ts. */
export const UK: LayoutRows = {
  mac: 'ISO',
  windows: [
    '`¬¦ 1! 2" 3£ 4$€ 5% 6^ 7& 8* 9( 0) -_ =+',
    'qQ wW eEéÉ rR tT yY uUúÚ iIíÍ oOóÓ pP [{ ]}',
    "aAáÁ sS dD fF gG hH jJ kK lL ;: '@ #~\\|",
    '\\| zZ xX cC vV bB nN mM ,< .> /? ␀',
  ],
  macos: [
    '§± 1!¡\u2044 2@€™ 3£#\u2039 4$¢\u203a 5%∞ﬁ 6^§ﬂ 7&¶\u2021 8*\u2022° 9(ª· 0)º\u201a -_\u2013\u2014 =+≠±',
    'qQœŒ wW∑\u201e eE\u0301\u2030 rR®Â tT\u2020Ê yY¥Á uU\u0308Ë iI\u0302È oOøØ pPπ∏ [{\u201c\u201d ]}\u2018\u2019',
    'aAåÅ sSßÍ dD∂Î fFƒÏ gG©Ì hH˙Ó jJ∆Ô kK˚\uf8ff lL¬Ò ;:\u2026Ú \'"æÆ \\|«»',
    '`~\u0300Ÿ zZΩÛ xX≈Ù cCçÇ vV√◊ bB∫ı nN\u0303ˆ mMµ˜ ,<≤¯ .>≥˘ /?÷¿ ␀',
  ],
  linux: [
    '`¬|| 1!¹¡ 2"²⅛ 3£³£ 4$€¼ 5%½⅜ 6^¾⅝ 7&{⅞ 8*[™ 9(]± 0)}° -_\\¿ =+\u0327\u0328',
    'qQ@Ω wWſ§ eEeE rR¶® tTŧŦ yY←¥ uU↓↑ iI→ı oOøØ pPþÞ [{\u0308\u030a ]}\u0303\u0304',
    "aAæÆ sSßẞ dDðÐ fFđª gGŋŊ hHħĦ jJ\u0309\u031b kKĸ& lLłŁ ;:\u0301\u030b '@\u0302\u030c #~\u0300\u0306",
    '\\||¦ zZ«< xX»> cC¢© vV\u201e\u201a bB\u201c\u2018 nN\u201d\u2019 mMµº ,<\u2022× .>·÷ /?\u0323\u0307 ␀',
  ],
}
