/** Audio worklet: posts the last two seconds of sound four times a second. */

/** What an audio worklet finds around it; the DOM's types do not have it. */
declare const sampleRate: number;
declare class AudioWorkletProcessor {
  readonly port: MessagePort;
}
declare function registerProcessor(name: string, processor: new () => AudioWorkletProcessor): void;

const WINDOW_S = 2;
const EVERY_S = 0.25;

class WindowProcessor extends AudioWorkletProcessor {
  private readonly ring = new Float32Array(Math.round(WINDOW_S * sampleRate));
  private heard = 0;
  private told = 0;

  process(inputs: readonly (readonly Float32Array[])[]): boolean {
    const channel = inputs[0]?.[0];
    if (!channel) return true;
    const { length } = this.ring;
    for (const value of channel) {
      this.ring[this.heard % length] = value;
      this.heard += 1;
    }
    if (this.heard < length || this.heard - this.told < EVERY_S * sampleRate) return true;
    this.told = this.heard;
    const at = this.heard % length;
    const sound = new Float32Array(length);
    sound.set(this.ring.subarray(at));
    sound.set(this.ring.subarray(0, at), length - at);
    this.port.postMessage(sound, [sound.buffer]);
    return true;
  }
}

registerProcessor("tamis-window", WindowProcessor);
