import type { LoggedStock } from './events';
import { type StockThing, thingOf } from './thing';

/** The stock log by thing, and each thing as it stands: kept current entry by entry. */
export class StockBook {
  private readonly entries = new Map<string, LoggedStock[]>();
  private readonly atJob = new Map<string, Set<string>>();
  private readonly standing = new Map<string, StockThing>();

  constructor(log: readonly LoggedStock[] = []) {
    for (const logged of log) this.note(logged);
    for (const id of this.entries.keys()) this.settle(id);
  }

  /** Takes one more entry in. */
  add(logged: LoggedStock): void {
    this.note(logged);
    this.settle(logged.entry.thing);
  }

  thing = (id: string): StockThing | undefined => this.standing.get(id);
  of = (id: string): readonly LoggedStock[] => this.entries.get(id) ?? [];
  things = (): IterableIterator<StockThing> => this.standing.values();
  /** Everything that was ever logged, thing by thing. */
  all = (): readonly (readonly LoggedStock[])[] => [...this.entries.values()];

  /** The stock as it was at a moment: what was made before it, undone only by what was made before it. */
  asOf(atMs: number): StockThing[] {
    return this.all().flatMap((own) => thingOf(own.filter((logged) => logged.atMs <= atMs)) ?? []);
  }

  /** Logs of the things that were in hand, drawn from or thrown away at a job. */
  ofJob(job: string): readonly (readonly LoggedStock[])[] {
    return [...(this.atJob.get(job) ?? [])].map(this.of);
  }

  private note(logged: LoggedStock): void {
    if ('job' in logged.entry && logged.entry.job !== undefined) {
      const known = this.atJob.get(logged.entry.job);
      if (known) known.add(logged.entry.thing);
      else this.atJob.set(logged.entry.job, new Set([logged.entry.thing]));
    }
    const own = this.entries.get(logged.entry.thing);
    if (own) own.push(logged);
    else this.entries.set(logged.entry.thing, [logged]);
  }

  private settle(id: string): void {
    const thing = thingOf(this.of(id));
    if (thing) this.standing.set(id, thing);
    else this.standing.delete(id);
  }
}
