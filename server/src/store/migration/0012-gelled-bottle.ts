import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A bottle whose compound has set in it: found on the floor, and never taken again. */
export class GelledBottle1764000000011 implements MigrationInterface {
  name = 'GelledBottle1764000000011';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE bottle ADD gelled_on CHAR(10) NULL');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE bottle DROP gelled_on');
  }
}
