/** What the list of pages showed when a page was opened from it, so that the way back leads there. */
export interface FromList {
  sought: string;
}
