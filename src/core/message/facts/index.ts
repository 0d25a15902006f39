// Generated from the catalogue by `npm run messages`.
import type { ActionsFacts } from './actions'
import type { ChecksFacts } from './checks'
import type { DifferencesFacts } from './differences'
import type { EditsFacts } from './edits'
import type { EffectsFacts } from './effects'
import type { EventsFacts } from './events'
import type { FindFacts } from './find'
import type { HelperFacts } from './helper'
import type { ImagesFacts } from './images'
import type { LinkFacts } from './link'
import type { ListsFacts } from './lists'
import type { ModelsFacts } from './models'
import type { MoveFacts } from './move'
import type { NamesFacts } from './names'
import type { ParseFacts } from './parse'
import type { ProblemsFacts } from './problems'
import type { SheetFacts } from './sheet'
import type { ShortcutsFacts } from './shortcuts'
import type { StartersFacts } from './starters'

/** The names of the placeholders of each message. */
export interface CoreFactNames
  extends ActionsFacts,
    ChecksFacts,
    DifferencesFacts,
    EditsFacts,
    EffectsFacts,
    EventsFacts,
    FindFacts,
    HelperFacts,
    ImagesFacts,
    LinkFacts,
    ListsFacts,
    ModelsFacts,
    MoveFacts,
    NamesFacts,
    ParseFacts,
    ProblemsFacts,
    SheetFacts,
    ShortcutsFacts,
    StartersFacts {}
