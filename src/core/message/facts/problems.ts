// Generated from the catalogue by `npm run messages`.

export interface ProblemsFacts {
  'problems.at': 'place' | 'problem'
  'problems.duplicateId': 'place' | 'name' | 'other' | 'id'
  'problems.stepOrDpi': never
  'problems.timesOnly': never
  'problems.noParts': never
  'problems.noScroll': never
  'problems.linkTooLong': never
  'problems.linkEnd': never
  'problems.linkDamaged': never
  'problems.linkVersion': 'found' | 'max'
  'problems.linkNoProfile': 'problem'
  'problems.linkCharacters': never
  'problems.pictureDamaged': never
  'problems.pictureChanged': never
  'problems.pictureEmpty': never
  'problems.pictureProfileDamaged': never
  'problems.drawingEmpty': never
  'problems.cannotUnpack': never
  'problems.unpacksTooLarge': 'max'
  'problems.endMissing': never
  'problems.archiveTooLarge': 'bytes' | 'max'
  'problems.archiveFiles': 'files' | 'max'
  'problems.archiveDamaged': never
  'problems.archiveOutside': 'name'
  'problems.notAnArchive': never
  'problems.fileTooLarge': 'bytes' | 'max'
  'problems.fileMisplaced': never
  'problems.compression': 'method'
  'problems.fileChecksum': never
  'problems.archiveNoLibrary': never
  'problems.archiveNoProfile': never
  'problems.savedVersion': never
  'problems.wrongType': never
  'problems.notType': 'value' | 'type'
  'problems.missing': never
  'problems.missingList': never
  'problems.missingOrEmpty': never
  'problems.missingObject': never
  'problems.missingBytes': never
  'problems.missingColour': never
  'problems.missingKey': never
  'problems.missingEffects': never
  'problems.missingComputer': never
  'problems.missingId': never
  'problems.notOneOf': 'values'
  'problems.maxCharacters': 'max'
  'problems.wrongForm': never
  'problems.minNumber': 'min'
  'problems.maxNumber': 'max'
  'problems.notInteger': never
  'problems.minEntries': 'min'
  'problems.maxEntries': 'max'
  'problems.unknownField': 'field'
  'problems.typeObject': never
  'problems.typeList': never
  'problems.typeText': never
  'problems.typeNumber': never
  'problems.typeFlag': never
  'problems.halfCharacter': never
  'problems.notHex': never
  'problems.imageLength': never
  'problems.notColour': 'value'
  'problems.unknownKind': 'kind' | 'kinds'
  'problems.noProfileName': never
  'problems.noMacroName': never
  'problems.noPaletteName': never
  'problems.onlySpaces': never
  'problems.nameBytes': 'max'
  'problems.unprintable': 'code'
  'problems.direction': 'code'
  'problems.incompleteCharacter': never
  'problems.invisible': never
  'problems.knownSection': never
  'problems.noVersion': never
  'problems.laterVersion': 'max' | 'version'
  'problems.baseLayerMissing': never
  'problems.maxLayers': 'max'
  'problems.notProfile': never
  'problems.notMacro': never
  'problems.notSession': never
  'problems.notLibrary': never
  'problems.maxEffects': 'max'
  'problems.notId': 'value'
  'problems.ownCode': never
  'problems.maxEvents': 'max'
  'problems.endsBeforeStart': never
  'problems.notMultiple': 'step'
  'problems.oneLine': never
  'problems.notKey': 'value'
  'problems.notModifier': 'value'
  'problems.unknownValue': 'value'
  'problems.target': never
  'problems.notGimp': never
  'problems.maxLines': 'max'
  'problems.gplLine': 'line'
  'problems.noColours': never
  'problems.slotOrProfile': never
  'problems.rulesTooLarge': never
  'problems.profileFileTooLarge': 'size' | 'max'
  'problems.macroFileTooLarge': 'size' | 'max'
  'problems.libraryFileTooLarge': 'size' | 'max'
  'problems.libraryVersion': never
  'problems.listMissing': 'name'
  'problems.profileAndSlot': never
  'problems.slotInteger': never
  'problems.macroFileVersion': never
  'problems.macrosMissing': never
  'problems.cycle': 'macros'
  'problems.selfCycle': 'macro'
  'problems.jsonAt': 'line' | 'column' | 'problem'
  'problems.notJson': 'line' | 'column' | 'problem'
  'problems.repeatedMember': 'name'
  'problems.tooDeep': 'max'
  'problems.jsonText': never
  'problems.jsonSymbol': never
  'problems.jsonNumber': never
  'problems.jsonName': never
  'problems.jsonValue': never
  'problems.jsonColon': never
  'problems.jsonComma': never
  'problems.jsonBrace': never
  'problems.jsonBracket': never
  'problems.jsonEnd': never
  'problems.jsonComment': never
  'problems.jsonStringEnd': never
  'problems.jsonNumberEnd': never
  'problems.jsonUnicode': never
  'problems.jsonEscape': never
  'problems.jsonCharacter': never
  'problems.row': 'row' | 'problem'
  'problems.csvQuote': never
  'problems.csvColumns': 'columns'
  'problems.csvVerb': 'text' | 'verbs'
  'problems.csvInteger': 'column' | 'text'
  'problems.csvIntegers': 'column' | 'text' | 'max'
  'problems.unknownModel': 'model'
  'problems.slotImage': never
  'problems.notUnisera': 'formats'
  'problems.noCommandName': never
  'problems.noProgramName': never
  'problems.notProgram': never
  'problems.sameCommand': 'place' | 'name' | 'other'
}
