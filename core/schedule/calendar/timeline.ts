/** What holds one resource when: spans in the order they begin. */
export class Timeline {
  private readonly from: number[] = [];
  private readonly to: number[] = [];
  /** No span is longer. */
  private longest = 0;

  constructor(private readonly capacity: number) {}

  /** The first span that begins at `min` or later. */
  private at(min: number): number {
    let [low, high] = [0, this.from.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.from[middle]! < min) low = middle + 1;
      else high = middle;
    }
    return low;
  }

  take(from: number, to: number): void {
    if (to <= from) return;
    const nth = this.at(from);
    this.from.splice(nth, 0, from);
    this.to.splice(nth, 0, to);
    this.longest = Math.max(this.longest, to - from);
  }

  release(from: number, to: number): void {
    for (let nth = this.at(from); this.from[nth] === from; nth += 1)
      if (this.to[nth] === to) {
        this.from.splice(nth, 1);
        this.to.splice(nth, 1);
        return;
      }
  }

  /** When the next span after a moment begins; Infinity: none does. */
  nextFrom(min: number): number {
    return this.from[this.at(min)] ?? Infinity;
  }

  /** When what holds it at a moment, or next after it, lets it go. */
  nextTo(min: number): number {
    return this.to[this.at(min)] ?? min;
  }

  /** Where it has no place left between two moments, the first moment from which it may have; else `from` itself. */
  free(from: number, to: number): number {
    if (to <= from) return from;
    const ends: number[] = [];
    let first = Infinity;
    for (let nth = this.at(from - this.longest + 1); nth < this.from.length && this.from[nth]! < to; nth += 1) {
      const end = this.to[nth]!;
      if (end <= from) continue;
      if (this.capacity === 1) return end;
      // Spans come in the order they begin: those over by now make room.
      for (let other = ends.length - 1; other >= 0; other -= 1)
        if (ends[other]! <= this.from[nth]!) ends.splice(other, 1);
      ends.push(end);
      first = Math.min(first, end);
      if (ends.length >= this.capacity) return first;
    }
    return from;
  }
}
