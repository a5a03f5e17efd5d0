/** What the finder shows for the words typed. */
export interface Found {
  readonly jobs: readonly { readonly id: string; readonly title: string; readonly place: string }[];
  readonly notes: readonly { readonly job: string; readonly title: string; readonly cause: string }[];
}
