// Generated from the catalogue by `npm run messages`.

export interface EventsFacts {
  'events.press': never
  'events.release': never
  'events.tap': never
  'events.turn': never
  'events.move': never
  'events.type': never
  'events.delay': never
  'events.play': never
  'events.show': never
  'events.step': never
  'events.layer': never
  'events.run': never
  'events.event': 'verb' | 'object'
  'events.counts': 'x' | 'y'
  'events.quoted': 'text'
  'events.time': 'time'
  'events.timeRange': 'from' | 'to'
  'events.deletedMacro': never
  'events.deviceCode': 'size'
  'events.wheelUp': 'detents'
  'events.wheelDown': 'detents'
  'events.wheelLeft': 'detents'
  'events.wheelRight': 'detents'
  'events.wheel': 'parts'
  'events.key': never
  'events.keyAction': never
  'events.button': never
  'events.buttonAction': never
  'events.mediaKey': never
  'events.detents': never
  'events.sideways': never
  'events.countsRight': never
  'events.countsDown': never
  'events.text': never
  'events.minDelay': never
  'events.maxDelay': never
  'events.macro': never
  'events.colour': never
  'events.bytes': never
  'events.next': never
  'events.previous': never
  'events.down': 'key'
  'events.up': 'key'
  'events.pointer': 'x' | 'y'
  'events.scroll': 'detents'
  'events.pan': 'detents'
  'events.perform': never
  'events.program': never
  'events.commandId': never
  'events.commandName': never
}
