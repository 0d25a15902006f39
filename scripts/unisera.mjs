#!/usr/bin/env node
// The `unisera` command: runs the built program, and builds it first when a source file is newer.
import { mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath, pathToFileURL } from 'node:url'

const root = dirname(dirname(fileURLToPath(import.meta.url)))
const program = join(root, 'dist-cli', 'unisera.mjs')
const SOURCES = [
  'src/cli',
  'src/core',
  'src/firmware',
  'src/messages',
  'package-lock.json',
  'vite.cli.config.ts',
]

/** Returns when a file, or the newest file of a folder, was last changed, in ms since 1970. */
function changedAt(path) {
  const { mtimeMs } = statSync(path)
  const within = statSync(path).isDirectory() ? readdirSync(path) : []
  return Math.max(mtimeMs, ...within.map((name) => changedAt(join(path, name))))
}

function isCurrent() {
  const built = statSync(program, { throwIfNoEntry: false })
  return built !== undefined && SOURCES.every((path) => changedAt(join(root, path)) <= built.mtimeMs)
}

/** Builds into a temporary folder and then moves the file, so that two runs at once never load a half-written one. */
async function build() {
  const { build: viteBuild } = await import('vite')
  const outDir = join(root, 'node_modules', '.cache', `unisera-${process.pid}`)
  const configFile = join(root, 'vite.cli.config.ts')
  await viteBuild({ root, configFile, logLevel: 'error', build: { outDir } })
  mkdirSync(dirname(program), { recursive: true })
  renameSync(join(outDir, 'unisera.mjs'), program)
  rmSync(outDir, { recursive: true })
}

if (!isCurrent()) await build()
await import(pathToFileURL(program).href)
