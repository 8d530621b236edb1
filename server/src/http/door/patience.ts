/**
 * How long a request may take to arrive, in milliseconds: its head soon, all of it within what a long program takes over a
 * shop's network. What is sent more slowly holds nothing here.
 */
export const PATIENCE = {
  headersTimeout: 8_000,
  requestTimeout: 120_000,
  connectionsCheckingInterval: 1_000,
} as const
