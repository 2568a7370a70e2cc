/**
 * Values of the standard Environmental Sensing Service over Bluetooth (assigned numbers 0x181A, 0x2A6E, 0x2A6F,
 * 0x2A6D). Source: GATT Specification Supplement: temperature sint16, 0.01 °C; humidity uint16, 0.01 %; pressure
 * uint32, 0.1 Pa; little-endian; all ones or the lowest temperature mean "not known".
 */
import { ZERO_CELSIUS_K } from "../air/saturation-vapour-pressure.ts";
import { AIR_CHANNELS, saidOf, SILENT, noise, type LineRead } from "./line-read.ts";

export const ENVIRONMENTAL_SENSING = 0x181a;
export const CHARACTERISTICS = { temperature: 0x2a6e, humidity: 0x2a6f, pressure: 0x2a6d } as const;
export type Characteristic = keyof typeof CHARACTERISTICS;

const BYTES: Readonly<Record<Characteristic, number>> = { temperature: 2, humidity: 2, pressure: 4 };
const NOT_KNOWN: Readonly<Record<Characteristic, number>> = {
  temperature: -0x8000,
  humidity: 0xffff,
  pressure: 0xffff_ffff,
};

function rawOf(kind: Characteristic, value: DataView): number {
  if (kind === "temperature") return value.getInt16(0, true);
  return kind === "humidity" ? value.getUint16(0, true) : value.getUint32(0, true);
}

/** @returns what the value says, nothing where the station does not know, or why it is no such value; never throws */
export function readCharacteristic(kind: Characteristic, value: DataView): LineRead {
  if (value.byteLength < BYTES[kind])
    return noise(`${kind} must have ${BYTES[kind]} bytes, got ${value.byteLength}`);
  const raw = rawOf(kind, value);
  if (raw === NOT_KNOWN[kind]) return SILENT;
  const inSI = { temperature: raw / 100 + ZERO_CELSIUS_K, humidity: raw / 10_000, pressure: raw / 10 }[kind];
  return saidOf({ quantity: kind, channel: AIR_CHANNELS[kind], value: inSI });
}
