import { ofKind } from '../base/tables'
import { ByteWriter, ImageError, type ByteReader } from '../base/bytes'
import { readValues, writeValues, type Codecs } from '../base/parameter-bytes'
import { ACTIONS, kindNamed, nameByCode, type ImageAction, type KnownAction } from './registry'
import { readStrokes, writeStrokes, type Stroke } from './strokes'
import { readTagged, writeTagged } from './tagged'

/** Actions as records of an image, all of it from their parameters (docs/onboard-format.md, "Section 2"). */

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

/** The code of an action's record, and its payload. */
export function actionRecord(action: ImageAction): { code: number; payload: number[] } {
  if (action.kind === 'unknown') return { code: action.code, payload: action.payload }
  const { code, parameters, payload } = kindNamed(action.kind)
  if (payload) return { code, payload: payload.write(action) }
  const writer = new ByteWriter()
  writeValues(writer, parameters, action, codecs)
  return { code, payload: [...writer.toBytes()] }
}

/**
 * Reads one action record. What this version does not know, and what no device can do, comes back as `unknown`, whole,
 * so that a reader can keep it.
 *
 * @throws ImageError when the record itself is cut short
 */
export function readAction(reader: ByteReader): ImageAction {
  const { code, payload } = readTagged(reader)
  const bytes = [...payload.all()]
  const does = knownAction(code, payload)
  if (does && payload.left === 0) return does
  return { kind: 'unknown', code, payload: bytes, ...(does && { does }) }
}

function knownAction(code: number, reader: ByteReader): KnownAction | undefined {
  const kind = nameByCode(code)
  if (!kind) return undefined
  try {
    const { parameters, payload, refuses } = kindNamed(kind)
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
    throw new ImageError('a tap and hold action within another')
  return action
}

/** Bytes one binding of this action takes in an image, its input number included. */
export function bindingBytes(action: ImageAction): number {
  const writer = new ByteWriter()
  writeAction(writer, action)
  return 1 + writer.length
}
