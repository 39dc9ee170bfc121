/** How far an import is. `stopped`: the server ended before it was done; what was written stays. */
export interface ImportRecord {
  readonly state: 'running' | 'done' | 'failed' | 'stopped';
  /** Products written, of so many. */
  readonly written: number;
  readonly total: number;
  readonly message: string | null;
}
