#!/usr/bin/env node
// Puts the command line into one file, .pine/cli/pine.cjs: bin/pine asks for it when the sources are newer.
import { build } from 'esbuild'
import { renameSync } from 'node:fs'
import { join } from 'node:path'
import { ROOT } from './lib/paths.mjs'

const file = join(ROOT, '.pine/cli/pine.cjs')
// Built beside it and moved there in one step: another call may be reading it.
const built = `${file}.${process.pid}.cjs`
await build({
  entryPoints: [join(ROOT, 'cli/src/main.ts')],
  outfile: built,
  bundle: true,
  platform: 'node',
  format: 'cjs',
  target: 'node20',
  minifySyntax: true,
  // What is loaded only for a sheet on paper stays where it is, with the files that it reads beside it.
  external: ['pdfkit', 'svg-to-pdfkit'],
  logLevel: 'warning',
})
renameSync(built, file)
