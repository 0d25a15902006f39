// Generated from the catalogue by `npm run messages`.
import type { Fact } from './fact'

export interface LightFacts {
  'light.brightnessAndIdle': Record<string, never>
  'light.cover': Record<string, never>
  'light.hidesTheEffectsBelowAsFarAs': Record<string, never>
  'light.add': Record<string, never>
  'light.addsItsLightToTheEffectsBelow': Record<string, never>
  'light.settingsOf': { name: Fact }
  'light.effect': Record<string, never>
  'light.typeOf': { name: Fact }
  'light.lights': Record<string, never>
  'light.selectLightsOnTheDrawingFirst': Record<string, never>
  'light.useSelectedLights': Record<string, never>
  'light.selectItsLights': Record<string, never>
  'light.onAllLights': Record<string, never>
  'light.useAllLights': Record<string, never>
  'light.when': Record<string, never>
  'light.conditionFor': { name: Fact }
  'light.theConditionOf': { name: Fact }
  'light.blending': Record<string, never>
  'light.blendingOf': { name: Fact }
  'light.name': Record<string, never>
  'light.nameOf': { name: Fact }
  'light.darkRoom': Record<string, never>
  'light.brightRoom': Record<string, never>
  'light.noLightIsCalledEnterNamesSuch': { unknown: Fact; examples: Fact }
  'light.wASDRow2': Record<string, never>
  'light.noLightsSelectedNewEffectsUseAll': Record<string, never>
  'light.lightSelectedANewEffectUsesIt': { count: number }
  'light.deviceLights': Record<string, never>
  'light.room': Record<string, never>
  'light.withItsLightsAsTheDeviceShows': { name: Fact }
  'light.lightsOfTheInputsBoundIn': { name: Fact }
  'light.boundIn': { name: Fact }
  'light.none': Record<string, never>
  'light.namesEG': { examples: Fact }
  'light.selectLightsByName': Record<string, never>
  'light.dragToReorder': Record<string, never>
  'light.unwrittenChanges': Record<string, never>
  'light.inactive': Record<string, never>
  'light.overS': { name: Fact; seconds: Fact }
  'light.startPhaseOf': { name: Fact }
  'light.dragSidewaysToChangeThePhaseOffset': Record<string, never>
  'light.periodOfOnTheStrip': { name: Fact }
  'light.dragToChangeThePeriod': Record<string, never>
  'light.opacityOf': { name: Fact }
  'light.opacity': Record<string, never>
  'light.hideInThePreview': { name: Fact }
  'light.hiddenInThePreviewOnlyTheDevice': Record<string, never>
  'light.hideInThePreview2': Record<string, never>
  'light.duplicate': { name: Fact }
  'light.remove': { name: Fact }
  'light.addedOnTop': { effect: Fact }
  'light.effectStack': Record<string, never>
  'light.effectsFromTopToBottom': Record<string, never>
  'light.noEffectsYetAllLightsAreOff': Record<string, never>
  'light.noEffectsYetAllLightsAreOff2': Record<string, never>
  'light.aStackCanHaveUpToEffects': { max: Fact }
  'light.addEffectToSelectedLights': Record<string, never>
  'light.addEffectToAllLights': Record<string, never>
  'light.effects': Record<string, never>
  'light.useAStarter': Record<string, never>
  'light.copyLightToProfiles': Record<string, never>
  'light.palettes': Record<string, never>
  'light.lightPreview': Record<string, never>
  'light.allLightsOverS': { seconds: Fact }
  'light.itIsLargerThan20Mib': Record<string, never>
  'light.itContainsNoColours': Record<string, never>
  'light.selectAGplFileOrAnyPicture': { name: Fact; message: Fact }
  'light.itHasMegapixelsUseAPictureWith': { size: Fact; max: Fact }
  'light.palettes2': Record<string, never>
  'light.export': { name: Fact }
  'light.delete': { name: Fact }
  'light.noPalettesYet': Record<string, never>
  'light.saveThisProfilesColours': Record<string, never>
  'light.importAFileOrAPicture': Record<string, never>
  'light.done': Record<string, never>
  'light.of': { setting: Fact; effect: Fact }
  'light.anyMacro': Record<string, never>
  'light.notConnected': Record<string, never>
  'light.pairing': Record<string, never>
  'light.colourOf': { index: Fact; effect: Fact }
  'light.removeColourOf': { index: Fact; effect: Fact }
  'light.colour': Record<string, never>
  'light.anyInput': Record<string, never>
  'light.theLightOfWasCopiedToProfile': { name: Fact; count: number }
  'light.copyLightToOtherProfiles': Record<string, never>
  'light.copyToOneProfile': { count: number }
  'light.zonesAreMatchedByNameSingleLights': Record<string, never>
  'light.theLibraryHasNoOtherProfiles': Record<string, never>
  'light.otherProfiles': Record<string, never>
  'light.copiedEffects': Record<string, never>
  'light.noEffectFitsThisDeviceThisProfile': Record<string, never>
  'light.lightStarters': Record<string, never>
  'light.eachPreviewShowsThisYouCanUndo': { device: Fact }
  'light.backToTheEffects': Record<string, never>
  'light.preview': { name: Fact }
  'light.preview2': Record<string, never>
  'light.apply': { name: Fact }
  'light.apply2': Record<string, never>
  'light.applyToSelectedLights': { name: Fact }
  'light.applyToSelection': Record<string, never>
  'light.pressOf': { name: Fact }
  'light.active': { name: Fact }
  'light.batteryAt': { percent: Fact }
  'light.macroRunning': Record<string, never>
  'light.n3SCountdown': Record<string, never>
  'light.aPressOf': { name: Fact }
  'light.becomesActive': { name: Fact }
  'light.aMacroRuns': Record<string, never>
  'light.aSignal': Record<string, never>
  'light.a3SCountdown': Record<string, never>
  'light.batteryAt10': Record<string, never>
  'light.triggerAddedAtS': { trigger: Fact; seconds: Fact }
  'light.timeline': Record<string, never>
  'light.lengthOfTheTimeline': Record<string, never>
  'light.previewTime': Record<string, never>
  'light.playing': Record<string, never>
  'light.previewATrigger': Record<string, never>
  'light.addTrigger': Record<string, never>
  'light.atS': { seconds: Fact }
  'light.triggers': Record<string, never>
  'light.removeTheTrigger': { trigger: Fact }
  'light.unknownKeptUnchanged': Record<string, never>
  'light.onEachPress': Record<string, never>
  'light.whileLayersAreActive': Record<string, never>
  'light.duringACountdown': Record<string, never>
  'light.lightDrawsUpTo': { mean: Fact; peak: Fact }
  'light.ma': { ma: Fact }
  'light.ofUse': { hours: Fact }
  'light.h': { count: Fact }
  'light.hLessThanBefore': { hours: Fact }
  'light.hMoreThanBefore': { hours: Fact }
  'light.dimmedToStayBelow': { limit: Fact }
  'light.allCombined': { effects: Fact }
  'light.effects2': Record<string, never>
  'light.colourFieldsOfferTheColoursOfThese': { extension: Fact }
  'light.layer': Record<string, never>
  'light.opacity2': { opacity: Fact }
  'light.adds': Record<string, never>
  'light.copiedUnchanged': { effect: Fact }
  'light.copiedChanged': { effect: Fact; how: Fact }
  'light.notCopied': { effect: Fact; reason: Fact }
}
