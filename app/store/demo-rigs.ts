/** @returns whether a rig is one of the demo's: its log is invented, and may be wiped and brought back */
export const isDemo = (rigId: string): boolean => rigId.startsWith("rig:demo-");
