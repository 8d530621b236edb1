import { refuse, type Refusal } from '../refusal'

export const tooLarge = (limit: number): Refusal =>
  refuse('body-too-large', {
    message: 'The request is larger than is kept here.',
    expected: `at most ${limit / 1024} kB`,
    received: 'more than that',
    remedy:
      'Send one fact at a time. A longer program is read all the same; only its text is not kept.',
  }).refusal

export const notJson = (): Refusal =>
  refuse('not-json', {
    message: 'The request is not JSON.',
    expected: 'a JSON body with Content-Type: application/json',
    received: 'text that does not parse as JSON',
    remedy: 'Check that the whole body was sent.',
  }).refusal

export const noRoute = (path: string): Refusal =>
  refuse('not-found', {
    message: `The API has nothing at ${path}.`,
    expected: 'a path of /api/openapi.json',
    received: path,
    remedy: 'Look for a misspelt path, or reload the page to get the present version.',
  }).refusal

/** Seconds after which it is worth asking again. */
const BUSY_SECONDS = 2
const AWAY_SECONDS = 3

export const busy = (): Refusal =>
  refuse(
    'busy',
    {
      message: 'Somebody else is writing here just now.',
      expected: 'a free moment',
      received: 'a set-up that stayed locked',
      remedy: 'What you typed is kept on this device and is sent again by itself.',
    },
    BUSY_SECONDS,
  ).refusal

export const databaseAway = (): Refusal =>
  refuse(
    'database-away',
    {
      message: 'The database does not answer just now.',
      expected: 'a database',
      received: 'no connection to it',
      remedy: 'What you typed is kept on this device and is sent again by itself.',
    },
    AWAY_SECONDS,
  ).refusal

export const unexpected = (requestId: string): Refusal =>
  refuse('internal', {
    message: `Something went wrong here that should not. It was noted as ${requestId}.`,
    expected: 'an answer',
    received: 'a failure inside the server',
    remedy:
      'What you typed is kept on this device. Try again; if it stays, tell who looks after the server.',
  }).refusal
