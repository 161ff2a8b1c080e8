import { describe, expect, it } from 'vitest';
import { statementFaults } from '../support/statementFaults.ts';

describe('statements that are judged', () => {
  it.each([
    ['SELECT name FROM layout WHERE id = ?', ['layout without company_id']],
    ['SELECT name FROM `layout` `row` WHERE `row`.`company_id` = ? AND `row`.`id` = ?', []],
    ['SELECT a.name FROM account AS a JOIN place ON place.account_id = a.id WHERE a.company_id = ?', ['place without company_id']],
    ['SELECT a.name FROM account AS a JOIN place ON place.company_id = a.company_id AND place.account_id = a.id WHERE a.company_id = ?', []],
    ['SELECT a.name FROM account a JOIN place USING (company_id, account_id) WHERE a.company_id = ?', []],
    ['SELECT company_id, name FROM layout ORDER BY company_id', ['layout without company_id']],
    ["SELECT name FROM layout WHERE name = 'company_id = 1'", ['layout without company_id']],
    ['SELECT (SELECT MAX(number) FROM layout_version WHERE layout_id = layout.id) FROM layout WHERE company_id = ?', ['layout without company_id']],
    ['DELETE FROM place WHERE account_id = ?', ['place without company_id']],
    ['DELETE FROM session WHERE person_id = ?', []],
    ['INSERT INTO place (company_id, account_id) VALUES (?, ?)', []],
    ['INSERT INTO place (company_id, account_id) SELECT 2, account_id FROM account_code', ['account_code without company_id']],
    ['BEGIN NOT ATOMIC UPDATE balance SET debit = 0 WHERE company_id = ?; DELETE FROM place WHERE account_id = ?; END', ['place without company_id']],
    ['UPDATE layout SET name = ? WHERE company_id = ? AND id = ?', ['layout without its version']],
    ['UPDATE layout SET name = ?, version = version + 1 WHERE company_id = ? AND id = ? AND version = ?', []],
    ['UPDATE `layout` SET `name` = ?, `version` = version + 1 WHERE `company_id` = ? AND `id` = ?', []],
    ['UPDATE category SET name = ?, version = version + ? WHERE company_id = ?', []],
    ['UPDATE layout SET version = ? WHERE company_id = ? AND id = ?', ['layout without its version']],
    ['UPDATE fiscal_period SET lock_reason = ? WHERE company_id = ?', []],
  ])('%s', (sql, faults) => {
    expect(statementFaults(sql)).toEqual(faults);
  });
});
