/** No engine ran, no instrument was read: it says so wherever it shows. */
export function Simulated() {
  return <strong className="simulated-mark">SIMULATED</strong>;
}
