/** What hands can do to a device besides pressing its inputs. */
export interface Plugs {
  /** Some cables only charge: they have no wires for data. */
  cable: 'none' | 'charging' | 'data'
  /** Whether the receiver near it is in the computer. */
  receiver: boolean
  /** The switch on a wireless device. */
  radio: 'off' | 'receiver' | 'bluetooth'
  power: boolean
}
