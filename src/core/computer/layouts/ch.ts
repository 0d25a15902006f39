import type { LayoutRows } from './layout'

/** Swiss German. Made by scripts/keyboard-layouts.ts. */
export const CH: LayoutRows = {
  mac: 'ISO',
  windows: [
    '§° 1+¦ 2"@ 3*# 4ç° 5%§ 6&¬ 7/| 8(¢ 9) 0= \'?\u0301 \u0302\u0300\u0303',
    'qQ wW eE€ rR tT zZ uU iI oO pP üè[ \u0308!]',
    'aA sS dD fF gG hH jJ kK lL öé äà{ $£}',
    '<>\\ yY xX cC vV bB nN mM ,; .: -_ ␀',
  ],
  macos: [
    '§° 1+± 2"\u201c 3*# 4ç 5%[ 6&] 7/|\\ 8({ 9)} 0=≠ \'?¿ \u0302\u0300',
    'qQœŒ wW eE€ rR® tT\u2020 zZ uU iI¡ oOøØ pP üè \u0308!',
    'aAåÅ sSß dD fFƒ gG@ hHª jJº kK lL¬ öé äàæÆ $£',
    '<> yY xX cC© vV bB nN\u0303 mMµ ,;«» .:\u2026 -_ ␀',
  ],
  linux: [
    '§° 1+|¡ 2"@⅛ 3*# 4ç 5% 6&¬ 7/| 8(¢ 9) 0= \'?\u0301 \u0302\u0300\u0303',
    'qQ@Ω wWſ§ eE€ rR¶® tTŧŦ zZ uU↓↑ iI→ı oOœŒ pPþÞ üè[ \u0308!]',
    'aAæÆ sSßẞ dDðÐ fFđª gGŋŊ hHħĦ jJ\u0309\u031b kKĸ& lLłŁ öé äà{ $£}',
    '<>\\¦ yY xX»> cC¢© vV\u201e\u201a bB\u201c\u2018 nN\u201d\u2019 mMµº ,; .: -_ ␀',
  ],
}
