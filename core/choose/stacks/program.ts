/** An integer program: least cost over columns within rows. */
export interface IntegerProgram {
  readonly columns: readonly Column[];
  readonly rows: readonly Row[];
}

export interface Column {
  readonly cost: number;
  readonly lower: number;
  readonly upper: number;
  readonly integer: boolean;
}

export interface Row {
  readonly lower: number;
  readonly upper: number;
  readonly entries: readonly (readonly [column: number, coefficient: number])[];
}

export interface SolveOptions {
  /** Stop once the answer is proven to be within this share of the best. */
  readonly relativeGap: number;
  readonly seconds: number;
  /** Told now and then; true: stop with what there is. */
  readonly onProgress?: (bestSoFar: number, bound: number) => boolean;
}

export interface Solution {
  /** One value a column; undefined where nothing feasible was found: there is nothing, or the time was up. */
  readonly values: readonly number[] | undefined;
  readonly objective: number;
  /** How far the answer may be from the best there is, as a share of it. */
  readonly gap: number;
  /** The time was up before the answer was as near as asked. */
  readonly ranOut: boolean;
}

/** Anything that solves integer programs; which one is chosen at the edge. */
export type Solve = (program: IntegerProgram, options: SolveOptions) => Solution;

/** Builds a program row by row and column by column. */
export class ProgramBuilder {
  readonly #columns: Column[] = [];
  readonly #rows: Row[] = [];

  /** @returns the new column's number */
  column(cost: number, { lower = 0, upper = Infinity, integer = false }: Partial<Omit<Column, 'cost'>> = {}): number {
    return this.#columns.push({ cost, lower, upper, integer }) - 1;
  }

  row(entries: Row['entries'], { lower = -Infinity, upper = Infinity }: Partial<Omit<Row, 'entries'>>): void {
    this.#rows.push({ entries, lower, upper });
  }

  build(): IntegerProgram {
    return { columns: this.#columns, rows: this.#rows };
  }
}
