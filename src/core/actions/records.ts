import { ofKind } from '../base/tables'
import { ByteWriter, ImageError, type ByteReader } from '../base/bytes'
import { readValues, writeValues, type Codecs } from '../base/parameter-bytes'
import { ACTIONS, actionKind, actionByCode, type ImageAction, type KnownAction } from './registry'
import { readStrokes, writeStrokes, type Stroke } from './strokes'
import { readTagged, writeTagged } from './tagged'
import { message } from '../message/message'

/** Actions as records of an image, derived from their parameters (docs/onboard-format.md, "Section 2"). */

const codecs: Codecs = {
  action: { write: (writer, action: ImageAction) => writeAction(writer, action), read: readSingle },
  strokes: {
    write: (writer, strokes: readonly Stroke[]) => writer.bytes(writeStrokes(strokes)),
    read: readStrokes,
  },
}

/** Appends one action record. */
export function writeAction(writer: ByteWriter, action: ImageAction): void {
  const { code, payload } = actionRecord(action)
  writeTagged(writer, code, payload)
}

/** The code of an action record, and its payload. */
export function actionRecord(action: ImageAction): { code: number; payload: number[] } {
  if (action.kind === 'unknown') return { code: action.code, payload: action.payload }
  const { code, parameters, payload } = actionKind(action.kind)
  if (payload) return { code, payload: payload.write(action) }
  const writer = new ByteWriter()
  writeValues(writer, parameters, action, codecs)
  return { code, payload: [...writer.toBytes()] }
}

/**
 * Reads one action record. Records that this version does not know, or that no device can perform, are returned as
 * `unknown` with all their bytes, so that a reader can keep them.
 *
 * @throws ImageError when the record is incomplete
 */
export function readAction(reader: ByteReader): ImageAction {
  const { code, payload } = readTagged(reader)
  const bytes = [...payload.all()]
  const does = knownAction(code, payload)
  if (does && payload.left === 0) return does
  return { kind: 'unknown', code, payload: bytes, ...(does && { does }) }
}

function knownAction(code: number, reader: ByteReader): KnownAction | undefined {
  const kind = actionByCode(code)
  if (!kind) return undefined
  try {
    const { parameters, payload, refuses } = actionKind(kind)
    const values = payload ? payload.read(reader) : readValues(reader, parameters, codecs)
    if (refuses?.(values)) return undefined
    return ofKind<KnownAction>(kind, values)
  } catch (error) {
    if (error instanceof ImageError) return undefined
    throw error
  }
}

/** Tap and hold do not nest: a device would have to decide twice about one press. */
function readSingle(payload: ByteReader): ImageAction {
  const action = readAction(payload)
  const { code } = ACTIONS['tap-hold']
  if (action.kind === 'tap-hold' || (action.kind === 'unknown' && action.code === code))
    throw new ImageError(message('images.nestedTapHold'))
  return action
}

/** Number of bytes that a binding of this action needs in an image, including its input number. */
export function bindingBytes(action: ImageAction): number {
  const writer = new ByteWriter()
  writeAction(writer, action)
  return 1 + writer.length
}
