/** What a command came to: text for people, the same as data, and how the process ends. */
export interface CommandResult {
  readonly exit: 0 | 1 | 2;
  readonly text: string;
  readonly data: unknown;
}

/** 0 it worked; 1 the soup, or what is asked of it, is wrong; 2 the command was not understood. */
export const GOOD = 0;
export const WRONG = 1;
export const USAGE = 2;

export function good(text: string, data: unknown): CommandResult {
  return { exit: GOOD, text, data };
}

export function wrong(text: string, data: unknown): CommandResult {
  return { exit: WRONG, text, data };
}

/** A command that was not understood; thrown by the readers of options and caught in one place. */
export class Misused extends Error {}
