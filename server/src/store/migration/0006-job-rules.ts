import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The shop's pass rule as each job was opened with it, and which finished jobs their vehicles still have to hear of. */
export class JobRules1764000000005 implements MigrationInterface {
  name = 'JobRules1764000000005';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE job ADD pass_rule JSON NULL, ADD fitted_noted BOOLEAN NOT NULL DEFAULT FALSE');
    await runner.query('UPDATE job SET fitted_noted = closed_at_ms IS NOT NULL');
    const shops: Array<{ id: string; stages: string | null; verify: number | null }> = await runner.query(
      'SELECT id, CAST(stages AS CHAR) AS stages, verify FROM shop',
    );
    for (const { id, stages, verify } of shops) {
      const rule = {
        ...(stages === null ? {} : { stages: JSON.parse(stages) as number[] }),
        ...(verify === null ? {} : { verify: Boolean(verify) }),
      };
      await runner.query('UPDATE job SET pass_rule = ? WHERE shop_id = ?', [JSON.stringify(rule), id]);
    }
    await runner.query('ALTER TABLE job MODIFY pass_rule JSON NOT NULL');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE job DROP COLUMN pass_rule, DROP COLUMN fitted_noted');
  }
}
