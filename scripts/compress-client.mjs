#!/usr/bin/env node
// Makes the client that was built as small as can be, while it is served: npm start runs this beside itself.
import { setPriority, constants } from 'node:os'
import { compressClient } from './build-client.mjs'

// Whoever works at a machine comes first.
setPriority(constants.priority.PRIORITY_LOW)
compressClient()
