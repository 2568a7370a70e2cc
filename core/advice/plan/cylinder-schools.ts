/** What tuners do about a cylinder that differs from its neighbours with the same jets. */
export const CYLINDER_SCHOOLS = ["causeFirst", "heatRange", "ownJets"] as const;
export type CylinderSchool = (typeof CYLINDER_SCHOOLS)[number];
