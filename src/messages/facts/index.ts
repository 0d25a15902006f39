// Generated from the catalogue by `npm run messages`.
import type { ButtonsFacts } from './buttons'
import type { CompareFacts } from './compare'
import type { DevicesFacts } from './devices'
import type { FaultsFacts } from './faults'
import type { FilesFacts } from './files'
import type { LibraryFacts } from './library'
import type { LightFacts } from './light'
import type { LookFacts } from './look'
import type { MacrosFacts } from './macros'
import type { MeasureFacts } from './measure'
import type { MotionFacts } from './motion'
import type { ProfileFacts } from './profile'
import type { SettingsFacts } from './settings'
import type { SharedFacts } from './shared'
import type { ShellFacts } from './shell'
import type { StoresFacts } from './stores'
import type { UnpluggedFacts } from './unplugged'

/** The placeholders of each message. */
export interface MessageFacts
  extends ButtonsFacts,
    CompareFacts,
    DevicesFacts,
    FaultsFacts,
    FilesFacts,
    LibraryFacts,
    LightFacts,
    LookFacts,
    MacrosFacts,
    MeasureFacts,
    MotionFacts,
    ProfileFacts,
    SettingsFacts,
    SharedFacts,
    ShellFacts,
    StoresFacts,
    UnpluggedFacts {}
