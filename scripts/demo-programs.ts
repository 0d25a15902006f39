import { mkdirSync, writeFileSync } from 'node:fs'
import { itemAt } from '../src/core/base/items'
import { parseProgram } from '../src/core/document/program-schema'
import { emptyProgram, type Program } from '../src/core/document/program'
import type { LayoutId } from '../src/core/computer/layouts'
import { readCommandList } from '../src/core/programs/read-commands'

/** The programs of the demo, as lists: an exclamation mark for an important command, and presses per hour at the end. */
interface List {
  name: string
  executables: string[]
  tags: string[]
  layout: LayoutId
  byCharacter: boolean
  text: string
}

const LISTS: Record<string, List> = {
  brinewatch: {
    name: 'Brinewatch',
    executables: ['Brinewatch.exe'],
    tags: ['crew'],
    layout: 'us',
    byCharacter: false,
    text: `# Diving
!Release ballast: Y, 30
!Vent tanks: V, 40
!Trim up: R, 60
!Trim down: F, 60
Emergency ascent: Ctrl+Y
Silent running: B (toggle), 12
Flood tanks: Ctrl+V
Hold depth: H (toggle), 25
# Sonar
!Sonar ping: Q, 90
Passive sonar: Ctrl+Q (toggle)
Sonar range up: PageUp, 20
Sonar range down: PageDown, 20
Mark contact: E, 70
Next contact: Tab, 80
Clear contacts: Shift+E
# Lamp
!Lamp: L (toggle), 50
Lamp wide: Ctrl+L
Flare: G, 8
Lamp left: Left, 30
Lamp right: Right, 30
# Winch
!Winch in: Mouse 4 (hold), 45
!Winch out: Mouse 5 (hold), 45
Stop winch: X, 40
Cut cable: Ctrl+X
Lock cable: C (toggle), 20
# Crew
!Talk to crew: T (hold), 110
Crew orders: O, 25
Call for help: K, 10
Wave: Z
Inventory: I, 35
# Helm
!Ahead: W (hold), 200
!Astern: S (hold), 120
!Port: A (hold), 150
!Starboard: D (hold), 150
Full speed: Shift+W
All stop: Space, 60
Map: M, 30
Zoom in: Wheel up, 80
Zoom out: Wheel down, 80
Log book: J
Repair: U (hold), 20
Quick save: F5`,
  },
  'gantry-run': {
    name: 'Gantry Run',
    executables: ['GantryRun.exe'],
    tags: ['race'],
    layout: 'us',
    byCharacter: false,
    text: `# Running
!Run: W (hold), 300
!Back: S (hold), 60
!Left: A (hold), 200
!Right: D (hold), 200
!Jump: Space, 240
!Slide: Ctrl (hold), 130
!Grapple: E, 110
Wall run: Shift (hold), 90
Vault: F, 80
Roll: C, 70
Dash: Q, 95
Double jump: Space (double)
Drop: X, 20
# Parcels
!Throw parcel: Mouse 1, 90
!Catch parcel: Mouse 2 (hold), 85
Pass parcel: G, 40
Drop parcel: Z
Next parcel: Wheel down, 60
Previous parcel: Wheel up, 60
Scan parcel: R, 45
# Route
Route up: PageUp
Route down: PageDown
Show route: Tab (hold), 75
Mark stop: Mouse 3, 35
Checkpoint: B
Reset to checkpoint: Backspace, 15
# Team
Taunt: T
Call courier: V, 25
Quick chat 1: 1
Quick chat 2: 2
Quick chat 3: 3
Voice: Mouse 4 (hold), 60
# View
Look back: Mouse 5 (hold), 50
Camera: H
Photo: P
Pause: Esc`,
  },
  'hollow-tithe': {
    name: 'Hollow Tithe',
    executables: ['HollowTithe.exe'],
    tags: ['strategy'],
    layout: 'us',
    byCharacter: false,
    text: `# Orders
!March: M, 180
!Hold ground: H, 90
!Attack move: A, 200
!Retreat: R, 60
Patrol: P, 40
Guard: G, 45
Scatter: X, 20
Stop: S, 110
Queue order: Shift, 150
# Settlements
!Build menu: B, 120
!Tithe menu: T, 80
Farm: Ctrl+F
Mill: Ctrl+M
Wall: Ctrl+W
Shrine: Ctrl+S
Granary: Ctrl+G
Upgrade: U, 70
Repair: Y, 35
Tear down: Del
# Groups
!Group 1: 1, 160
!Group 2: 2, 140
!Group 3: 3, 110
Group 4: 4, 60
Group 5: 5, 40
Set group 1: Ctrl+1
Set group 2: Ctrl+2
Set group 3: Ctrl+3
Set group 4: Ctrl+4
Set group 5: Ctrl+5
# Camera
!Camera 1: F1, 90
!Camera 2: F2, 80
Camera 3: F3, 50
Camera 4: F4, 30
Set camera 1: Ctrl+F1
Set camera 2: Ctrl+F2
Set camera 3: Ctrl+F3
Zoom in: Wheel up, 70
Zoom out: Wheel down, 70
Turn left: Q
Turn right: E
# Realm
Council: C, 25
Ledger: L, 30
Map: Tab, 60
Next settlement: N, 75
Idle worker: Period, 65
Pause time: Space, 100
Faster: Equal, 40
Slower: Minus, 40`,
  },
  'score-engraving': {
    name: 'Score engraving',
    executables: ['Plover Score'],
    tags: ['work'],
    layout: 'us',
    byCharacter: true,
    text: `# Notes
!Whole note: 1, 20
!Half note: 2, 60
!Quarter note: 3, 220
!Eighth note: 4, 240
!Sixteenth note: 5, 120
Dotted: Period, 90
Rest: 0, 80
Tie: T, 70
Triplet: Ctrl+3, 25
Sharp: S, 60
Flat: F, 60
Natural: N, 30
Octave up: Up, 90
Octave down: Down, 90
# Marks
!Slur: L, 110
Accent: A, 45
Staccato: K, 50
Crescendo: C, 40
Diminuendo: D, 40
Dynamics: Ctrl+D, 55
Trill: Shift+T
Fermata: Shift+F
Breath mark: B
Lyrics: Ctrl+L, 35
Chord symbol: Ctrl+K, 30
Fingering: G, 20
# Layout
!Next bar: Right, 200
!Previous bar: Left, 160
System break: Enter, 12
Page break: Ctrl+Enter
Align staves: Ctrl+J
Hide staff: H
Zoom in: Ctrl+Equal, 60
Zoom out: Ctrl+Minus, 60
Page view: V
# Editing
!Undo: Ctrl+Z, 150
Redo: Ctrl+Y, 40
Copy: Ctrl+C, 90
Paste: Ctrl+V, 90
Repeat: R, 75
Select bar: Ctrl+B
Play: Space, 110
Save: Ctrl+S, 40`,
  },
}

const LINE = /^(!?)(.+?)(?:, (\d+))?$/

/** Writes demo/programs. */
export function writePrograms(): void {
  mkdirSync('demo/programs', { recursive: true })
  for (const [id, list] of Object.entries(LISTS))
    writeFileSync(`demo/programs/${id}.json`, `${JSON.stringify(programOf(id, list), null, 2)}\n`)
}

function programOf(id: string, { text, ...about }: List): Program {
  const lines = text.split('\n').map((line) => LINE.exec(line) ?? ['', '', line])
  const plain = lines.map(([, , line]) => line).join('\n')
  const commands = readCommandList(plain, { layout: about.layout }).entries.map((entry) => {
    if (entry.kind !== 'command') throw new Error(`${id}: ${entry.text}`)
    const [, mark, , perHour] = itemAt(lines, entry.line - 1)
    return {
      id: entry.draft.name.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-'),
      ...entry.draft,
      importance: mark === '!' ? (3 as const) : (2 as const),
      ...(perHour !== undefined && { perHour: Number(perHour) }),
    }
  })
  return parseProgram({ ...emptyProgram(id, about.name), ...about, commands })
}
