/** The four throttle zones and the probe opening at which the model is evaluated in each. */

export const ZONES = ["idle", "low", "mid", "top"] as const;
export type Zone = (typeof ZONES)[number];
export type PerZone<T> = Readonly<Record<Zone, T>>;

/** @returns something of every zone */
export const perZone = <T>(of: (zone: Zone) => T): PerZone<T> => ({
  idle: of("idle"),
  low: of("low"),
  mid: of("mid"),
  top: of("top"),
});

/** Where the model is asked about a zone. */
export const PROBES: PerZone<number> = { idle: 0, low: 0.18, mid: 0.45, top: 0.95 };

/** Where one zone ends and the next begins. */
export const ZONE_EDGES = [1 / 8, 1 / 4, 3 / 4] as const;

/** @returns the zone that an opening 0..1 lies in; an edge belongs to the zone above it */
export function zoneAt(throttle: number): Zone {
  const above = ZONE_EDGES.findIndex((edge) => throttle < edge);
  return ZONES[above === -1 ? ZONES.length - 1 : above] ?? "top";
}

/** Target λ by kind of engine; every one can be edited. */
export const TARGET_LAMBDA = {
  twoStroke: { idle: 0.88, low: 0.9, mid: 0.9, top: 0.86 },
  fourStrokeAir: { idle: 0.89, low: 0.91, mid: 0.9, top: 0.86 },
  fourStrokeLiquid: { idle: 0.9, low: 0.93, mid: 0.92, top: 0.88 },
  methanol: { idle: 0.8, low: 0.8, mid: 0.78, top: 0.74 },
} as const satisfies Record<string, PerZone<number>>;

/** Beyond this log error an engine is in danger: target + 8 %, at the top + 6 %. */
export const LEAN_LIMIT: PerZone<number> = {
  idle: Math.log(1.08),
  low: Math.log(1.08),
  mid: Math.log(1.08),
  top: Math.log(1.06),
};

/**
 * Where an opening stands on the ruler, 0..1. Stretched, because half of all riding happens in the first
 * quarter of the throttle.
 */
export const rulerPosition = (throttle: number): number => throttle ** 0.62;
/** The inverse of {@link rulerPosition}. */
export const throttleAtRuler = (position: number): number => position ** (1 / 0.62);
