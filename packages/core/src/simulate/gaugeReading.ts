import type { PlantGauge } from './PlantSetup';
import type { SeededRandom } from './seededRandom';

/** A gauge or sensor that follows a pressure in its own way, and what is read off it. */
export class GaugeReading {
  private needleBar: number;
  private sensedBar: number;

  constructor(
    private readonly gauge: PlantGauge,
    private readonly firstBar: number,
  ) {
    this.needleBar = firstBar;
    this.sensedBar = firstBar;
  }

  /** The pressure at it has been `bar` for `dt` seconds. */
  follow(bar: number, dt: number): void {
    const { lagS, stictionBar } = this.gauge;
    this.sensedBar = lagS > 0 ? bar + (this.sensedBar - bar) * Math.exp(-dt / lagS) : bar;
    // It lets go once the pull is enough, and then comes to within a third of it.
    const pull = this.sensedBar - this.needleBar;
    if (Math.abs(pull) > stictionBar) this.needleBar = this.sensedBar - Math.sign(pull) * (stictionBar / 3);
  }

  /** What is written down at `tS`: never below the foot of the dial. */
  read(tS: number, random: SeededRandom): number {
    const g = this.gauge;
    const seen = g.stuck ? this.firstBar : this.needleBar;
    const shown = seen + g.offsetBar + g.parallaxBar + (g.driftBarPerDay * tS) / 86_400 + g.noiseBar * random.normal();
    return Math.max(0, rounded(shown, g.stepBar));
  }
}

export const rounded = (value: number, step: number): number => (step > 0 ? Number((Math.round(value / step) * step).toFixed(6)) : value);
