import path from 'node:path';
import Database from 'better-sqlite3';
import { air, inFolder, TrialServer } from './server';

const KILLS = 200;
const WRITERS = 4;
/** Each time so many are acknowledged before the next kill comes, within this time by chance, ms. */
const WRITTEN = 8;
const WRITES_MS = 60;
const LONGEST_MS = 5000;

/** Killed again and again while four write: nothing that was acknowledged is lost, nothing stands twice, the file is sound. */
export const killedUnderWriters = (): Promise<string> =>
  inFolder(async (folder) => {
    const server = new TrialServer(path.join(folder, 'workshop.sqlite'));
    await server.start();
    for (let writer = 0; writer < WRITERS; writer += 1) {
      const made = await server.make(`job-${writer}`);
      if (made.status !== 200) throw new Error(`a job was not made: ${JSON.stringify(made.body)}`);
    }
    const acknowledged = Array.from({ length: WRITERS }, () => [] as string[]);
    const next = Array.from({ length: WRITERS }, () => 0);
    let unsure = 0;
    for (let kill = 0; kill < KILLS; kill += 1) {
      let writing = true;
      const writers = acknowledged.map(async (known, writer) => {
        while (writing) {
          const id = `w${writer}-${next[writer]}`;
          try {
            // An entry whose answer was lost is sent again under its own name, as the outbox does.
            const { status } = await server.ask('POST', `/api/jobs/job-${writer}/log`, air(id));
            if (status !== 201) throw new Error(`${id} was answered with ${status}`);
            known.push(id);
            next[writer]! += 1;
          } catch (error) {
            if (error instanceof Error && error.message.includes('answered with')) throw error;
            unsure += 1;
            return;
          }
        }
      });
      const [before, until] = [acknowledged.flat().length, Date.now() + LONGEST_MS];
      while (acknowledged.flat().length < before + WRITTEN && Date.now() < until)
        await new Promise((resolve) => setTimeout(resolve, 5));
      await new Promise((resolve) => setTimeout(resolve, Math.random() * WRITES_MS));
      await server.kill();
      writing = false;
      await Promise.all(writers);
      await server.start();
    }
    await server.kill();
    const db = new Database(server.file, { readonly: true });
    const sound = db.pragma('integrity_check(1)', { simple: true });
    const stored = db.prepare("select job_id || '/' || id from run_log").pluck().all() as string[];
    db.close();
    if (sound !== 'ok') throw new Error(`the file is not sound: ${String(sound)}`);
    if (new Set(stored).size !== stored.length) throw new Error('entries stand twice');
    const there = new Set(stored);
    const lost = acknowledged.flatMap((known, writer) => known.filter((id) => !there.has(`job-${writer}/${id}`)));
    if (lost.length > 0) throw new Error(`${lost.length} acknowledged entries are lost, the first ${lost[0]}`);
    return `${KILLS} kills, ${acknowledged.flat().length} entries acknowledged and all there once, ${unsure} answers lost on the way`;
  });
