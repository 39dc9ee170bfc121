/** What shoppers searched for without finding anything. */
export interface LostSearch {
  readonly term: string;
  readonly times: number;
  /** Milliseconds since 1970. */
  readonly lastAt: number;
}
