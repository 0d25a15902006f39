// Generated from the catalogue by `npm run messages`.
import type { ChecksFacts } from './checks'
import type { DifferencesFacts } from './differences'
import type { EditsFacts } from './edits'
import type { EffectsFacts } from './effects'
import type { FindFacts } from './find'
import type { HelperFacts } from './helper'
import type { ImagesFacts } from './images'
import type { LinkFacts } from './link'
import type { MoveFacts } from './move'
import type { ParseFacts } from './parse'
import type { ProblemsFacts } from './problems'
import type { SheetFacts } from './sheet'
import type { StartersFacts } from './starters'

/** The names of the placeholders of each message. */
export interface CoreFactNames
  extends ChecksFacts,
    DifferencesFacts,
    EditsFacts,
    EffectsFacts,
    FindFacts,
    HelperFacts,
    ImagesFacts,
    LinkFacts,
    MoveFacts,
    ParseFacts,
    ProblemsFacts,
    SheetFacts,
    StartersFacts {}
