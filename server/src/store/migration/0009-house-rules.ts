import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A shop's rules are one record; the rounds over a group, which had columns of their own, are part of it. */
export class HouseRules1764000000008 implements MigrationInterface {
  name = 'HouseRules1764000000008';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE shop ADD house_rules json NULL');
    // A round that was never set stays unset: the usual holds.
    await runner.query(
      `UPDATE shop SET house_rules = JSON_MERGE_PATCH(
        '{}',
        IF(stages IS NULL, '{}', JSON_OBJECT('stages', JSON_EXTRACT(stages, '$'))),
        IF(verify IS NULL, '{}', JSON_OBJECT('verify', JSON_EXTRACT(IF(verify, 'true', 'false'), '$')))
      ) WHERE stages IS NOT NULL OR verify IS NOT NULL`,
    );
    await runner.query('ALTER TABLE shop DROP stages, DROP verify');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE shop ADD stages json NULL, ADD verify boolean NULL');
    await runner.query(
      `UPDATE shop SET stages = JSON_EXTRACT(house_rules, '$.stages'),
        verify = JSON_EXTRACT(house_rules, '$.verify') = 'true' WHERE house_rules IS NOT NULL`,
    );
    await runner.query('ALTER TABLE shop DROP house_rules');
  }
}
