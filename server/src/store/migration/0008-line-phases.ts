import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Names of a job's stretches as the projection kept them while strip, fit loose, torque and refit were screens. */
const RENAMED = [['"fitLoose"', '"loose"']] as const;

/** A job's stretches are those of the line. The projection is made anew with each job's next event; lists read it before. */
export class LinePhases1764000000007 implements MigrationInterface {
  name = 'LinePhases1764000000007';

  async up(runner: QueryRunner): Promise<void> {
    for (const [before, after] of RENAMED)
      await runner.query('UPDATE job SET progress = REPLACE(progress, ?, ?)', [before, after]);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const [before, after] of RENAMED)
      await runner.query('UPDATE job SET progress = REPLACE(progress, ?, ?)', [after, before]);
  }
}
