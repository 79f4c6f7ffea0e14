import { predictGauge, SLOT } from './kernel';
import type { LogTrack } from '../layOut/LogTrack';
import type { ParameterSpace } from './parameters/parameterSpace';
import { whiten } from './whiten';

/** How far a finding's number lies from what the circuit's parameters (by slot) make of it, in standard deviations; 0 where it says nothing
 *  of them. */
export type Hint = (v: Float64Array) => number;

/** By how much a model misses its logs at a place of its parameters, in standard deviations one by one: the readings' misses (whitened),
 *  then the priors' (the parameters themselves), then the hints'. One object for one fit: it keeps what it needs from call to call. */
export class Misses {
  readonly n: number;
  /** Readings in all tracks. */
  readonly points: number;
  readonly rows: number;
  /** Where the noise's own size stands among the parameters; −1 where it is not free. */
  readonly doubtAt: number;
  /** Where parameters stand in which the pressure is rough, leap by leap. */
  readonly roughAt: number[];
  /** The kernel's parameters at the place that was asked last; overwritten by the next call. */
  readonly v: Float64Array;
  /** Half the log determinant of the noise there: its cost, beside half the square sum. */
  logDet = 0;
  /** Natural log of the probability of each track there. */
  readonly trackLikelihoods: number[];
  private readonly last: Float64Array;
  private noiseHeld = false;
  private readonly buffers: Float64Array[];
  private readonly perKelvin: Float64Array[];
  private readonly held: Float64Array[];
  private readonly bare: Float64Array[];
  private readonly tried: Float64Array[];

  constructor(
    readonly space: ParameterSpace,
    private readonly tracks: readonly LogTrack[],
    private readonly atmosphericBar: number,
    private readonly hints: readonly Hint[],
  ) {
    const perPoint = () => tracks.map((t) => new Float64Array(t.n));
    this.n = space.free.length;
    this.points = tracks.reduce((s, t) => s + t.n, 0);
    this.rows = this.points + this.n + hints.length;
    this.doubtAt = space.free.findIndex((p) => p.slot === SLOT.doubt);
    this.roughAt = space.free.flatMap((p, i) => (p.slot === SLOT.seat ? [i] : []));
    this.v = space.fixed.slice();
    this.last = new Float64Array(this.n).fill(NaN);
    this.trackLikelihoods = tracks.map(() => 0);
    this.buffers = perPoint();
    this.perKelvin = perPoint();
    this.held = perPoint();
    this.bare = perPoint();
    this.tried = perPoint();
  }

  /** Turns a place into the kernel's parameters, without predicting anything. */
  set(z: Float64Array): void {
    const { free } = this.space;
    for (let i = 0; i < this.n; i++) this.v[free[i]!.slot] = free[i]!.of(z[i]!, this.v);
  }

  /** Writes the misses at a place; returns half their square sum. */
  at(z: Float64Array, out: Float64Array): number {
    this.set(z);
    let at = 0,
      sum = 0,
      logDet = 0;
    for (let k = 0; k < this.tracks.length; k++) {
      const track = this.tracks[k]!,
        b = this.buffers[k]!;
      predictGauge(track, shifted(this.v, this.tracks, k), this.atmosphericBar, b, this.perKelvin[k]!);
      for (let i = 0; i < track.n; i++) b[i] = track.gaugeBar[i]! - b[i]!;
      if (!this.noiseHeld) this.bare[k]!.set(b);
      const ownLogDet = whiten(track, b, this.noiseHeld ? this.held[k]! : this.perKelvin[k]!),
        before = sum;
      for (let i = 0; i < track.n; i++) {
        out[at] = b[i]!;
        sum += b[i]! * b[i]!;
        at++;
      }
      logDet += ownLogDet;
      this.trackLikelihoods[k] = -ownLogDet - (sum - before) / 2;
    }
    for (let i = 0; i < this.n; i++) {
      out[at++] = z[i]!;
      sum += z[i]! * z[i]!;
    }
    for (const hint of this.hints) {
      const x = hint(this.v);
      out[at++] = x;
      sum += x * x;
    }
    if (this.noiseHeld) this.last[0] = NaN;
    else {
      this.logDet = logDet;
      this.last.set(z);
    }
    return sum / 2;
  }

  /** Slopes of the misses along each parameter at a place, one column of `rows` after another; r0 receives the misses there. The noise is
   *  held still meanwhile: its size has no slope but its own prior's. */
  slopes(at: Float64Array, r0: Float64Array, r1: Float64Array, out: Float64Array): void {
    const { n, rows } = this;
    if (!this.isAt(at)) this.at(at, r0);
    this.perKelvin.forEach((k, i) => this.held[i]!.set(k));
    this.noiseHeld = true;
    for (let i = 0; i < n; i++) {
      if (i === this.doubtAt) {
        for (let k = 0; k < rows; k++) out[i * rows + k] = 0;
        out[i * rows + this.points + i] = 1;
        continue;
      }
      const keep = at[i]!,
        step = this.space.free[i]!.leapsAtNought && keep < 0 ? -SLOPE_STEP : SLOPE_STEP;
      at[i] = keep + step;
      this.at(at, r1);
      at[i] = keep;
      for (let k = 0; k < rows; k++) out[i * rows + k] = (r1[k]! - r0[k]!) / step;
    }
    this.noiseHeld = false;
  }

  /** First and second derivative along the noise's size, at the place that was asked last: nothing is predicted anew for it. */
  alongDoubt(z0: number): { slope: number; bend: number } {
    const h = 0.2,
      p = this.space.free[this.doubtAt]!;
    const valueAt = (zd: number) => {
      const times = p.of(zd) / p.of(z0);
      let sum = (zd * zd) / 2;
      this.tracks.forEach((track, k) => {
        const b = this.buffers[k]!,
          perK = this.tried[k]!;
        b.set(this.bare[k]!);
        for (let i = 0; i < track.n; i++) perK[i] = times * this.perKelvin[k]![i]!;
        sum += whiten(track, b, perK);
        for (let i = 0; i < track.n; i++) sum += (b[i]! * b[i]!) / 2;
      });
      return sum;
    };
    const up = valueAt(z0 + h),
      here = valueAt(z0),
      down = valueAt(z0 - h);
    return { slope: (up - down) / (2 * h), bend: (up - 2 * here + down) / (h * h) };
  }

  /** What the gauge is predicted to show at the place that was asked last, track by track. */
  predicted(): Float64Array[] {
    return this.tracks.map((t, k) => {
      const out = new Float64Array(t.n);
      predictGauge(t, shifted(this.v, this.tracks, k), this.atmosphericBar, out, this.tried[k]!);
      return out;
    });
  }

  private isAt(z: Float64Array): boolean {
    for (let i = 0; i < this.n; i++) if (this.last[i] !== z[i]) return false;
    return true;
  }
}

const SLOPE_STEP = 1e-4;

/** The vector as track k sees it: its own stretches stand first from SLOT.start. */
function shifted(v: Float64Array, tracks: readonly LogTrack[], k: number): Float64Array {
  if (k === 0) return v;
  let before = 0;
  for (let i = 0; i < k; i++) for (const s of tracks[i]!.starts) if (s) before++;
  const out = new Float64Array(v.length - before);
  out.set(v.subarray(0, SLOT.start));
  out.set(v.subarray(SLOT.start + before), SLOT.start);
  return out;
}
