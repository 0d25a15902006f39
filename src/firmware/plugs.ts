/** What hands can change on a device besides its inputs. */
export interface Plugs {
  /** Some cables only charge: they have no data wires. */
  cable: 'none' | 'charging' | 'data'
  /** Whether the receiver nearby is plugged into the computer. */
  receiver: boolean
  /** The switch on a wireless device. */
  radio: 'off' | 'receiver' | 'bluetooth'
  power: boolean
}
