/** Identifies one state of a rig's log: rig, incarnation, number of saves. */
export interface Revision {
  readonly rigId: string;
  /** a rig deleted and brought in again has another one */
  readonly token: string;
  readonly count: number;
}

export const sameRevision = (a: Revision, b: Revision): boolean =>
  a.rigId === b.rigId && a.token === b.token && a.count === b.count;

/** @returns a key for what belongs to this state; never to be taken apart again */
export const revisionKey = ({ rigId, token, count }: Revision): string => `${rigId} ${token} ${count}`;
