import { spawnSync } from 'node:child_process';
import { mkdirSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { air, inFolder, TrialServer } from './server';

const DISK_MB = 12;
const MOST_ENTRIES = 2000;
/** Room that is left once the ballast lies there, bytes: some hundred entries fill it. */
const LEFT_BYTES = 800e3;

/** A disk that is full: what cannot be kept is refused, what was acknowledged stays, and with room again it goes on. */
export const fullDisk = (): Promise<string> =>
  inFolder(async (folder) => {
    const disk = path.join(folder, 'disk');
    mkdirSync(disk);
    const mounted = spawnSync('mount', ['-t', 'tmpfs', '-o', `size=${DISK_MB}m`, 'tmpfs', disk]);
    if (mounted.status !== 0) return 'not tried: this user may not mount a small disk';
    const server = new TrialServer(path.join(disk, 'workshop.sqlite'));
    try {
      await server.start();
      await server.make('job');
      const ballast = path.join(disk, 'ballast');
      const { bavail, bsize } = statfsSync(disk);
      writeFileSync(ballast, Buffer.alloc(Math.max(0, bavail * bsize - LEFT_BYTES)));
      const known: string[] = [];
      let refused = 0;
      for (let nth = 0; nth < MOST_ENTRIES && refused < 5; nth += 1) {
        const { status } = await server.ask('POST', '/api/jobs/job/log', air(`e${nth}`));
        if (status === 201) known.push(`e${nth}`);
        else refused += 1;
      }
      if (refused === 0) throw new Error('the disk never became full');
      if ((await server.ask('GET', '/api/jobs/job/log')).status !== 200) throw new Error('nothing is read any more');
      rmSync(ballast);
      const again = await server.ask('POST', '/api/jobs/job/log', air('after'));
      if (again.status !== 201) throw new Error(`with room again it is answered with ${again.status}`);
      await server.kill();
      await server.start();
      const { body } = await server.ask('GET', '/api/jobs/job/log');
      const there = new Set((body as { id: string }[]).map(({ id }) => id));
      const lost = [...known, 'after'].filter((id) => !there.has(id));
      if (lost.length > 0) throw new Error(`${lost.length} acknowledged entries are lost`);
      return `${known.length} entries until it was full, ${refused} refused, all acknowledged ones there, and it went on with room again`;
    } finally {
      await server.kill();
      spawnSync('umount', ['-l', disk]);
    }
  });
