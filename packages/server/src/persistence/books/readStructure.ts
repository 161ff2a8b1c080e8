import {
  type Account,
  accountLabels,
  buildAccountTree,
  buildCategoryTree,
  type CaptionLanguage,
  type CategoryRange,
  currencyOf,
  type DigitOrder,
  defaultLayoutOptions,
  type LayoutOptions,
  makeCalendar,
  type NumberScheme,
  type Place,
  type PlaceSide,
  readRangeText,
  standingOf,
  type YearForm,
} from '@ivory-ladder/core';
import type { QueryRunner } from 'typeorm';
import {
  type ChartAccount,
  type Classification,
  type CompanyRecord,
  type CoverageExclusion,
  periodKey,
  type Structure,
  type VersionedCategory,
} from '../../application/ports/index.ts';
import { findIn, rowsOf } from '../database/index.ts';
import {
  AccountEntity,
  CategoryCaptionEntity,
  CategoryEntity,
  CategoryRangeEntity,
  type CompanyRow,
  LayoutOptionsEntity,
  PeriodEntity,
  PlaceEntity,
} from '../entities/companyEntities.ts';
import { ClassificationEntity } from '../entities/placementEntities.ts';
import { readAccountCodes, readCodeLists, readPairings } from './readCodeLists.ts';

export async function readCompany(runner: QueryRunner, companyId: number): Promise<CompanyRecord | null> {
  const [row] = await rowsOf<CompanyRow>(
    runner,
    `SELECT id, name, currency, fiscal_first_month AS fiscalYearFirstMonth, digit_order AS digitOrder, revision, structure_version AS structureVersion,
            number_scheme AS numberScheme, repeated_names AS repeatedNames, numbered, languages, year_form AS yearForm, main_classification AS mainClassification,
            settings_version AS settingsVersion, rates_version AS ratesVersion FROM company WHERE id = ? AND removed_at IS NULL`,
    [companyId],
  );
  return row
    ? {
        id: row.id,
        name: row.name,
        currency: currencyOf(row.currency),
        fiscalYearFirstMonth: row.fiscalYearFirstMonth,
        digitOrder: row.digitOrder as DigitOrder,
        numberScheme: row.numberScheme === null ? null : (JSON.parse(row.numberScheme) as NumberScheme),
        repeatedNames: row.repeatedNames as CompanyRecord['repeatedNames'],
        numbered: Number(row.numbered) === 1,
        languages: row.languages.split(',') as CaptionLanguage[],
        yearForm: row.yearForm === '' ? { kind: 'months' } : (JSON.parse(row.yearForm) as YearForm),
        mainClassification: row.mainClassification,
        settingsVersion: row.settingsVersion,
        revision: Number(row.revision),
        structureVersion: Number(row.structureVersion),
        ratesVersion: Number(row.ratesVersion),
      }
    : null;
}

/** Chart, placement, calendar and options, in the snapshot of the runner's transaction. */
export async function readStructure(runner: QueryRunner, company: CompanyRecord): Promise<Structure> {
  const periods = await findIn(runner, PeriodEntity, company.id);
  const locks = await rowsOf<{ year: number; number: number; at: string; by: string; reason: string }>(
    runner,
    'SELECT year, number, locked_at AS at, locked_by AS `by`, lock_reason AS reason FROM fiscal_period WHERE company_id = ? AND locked_at IS NOT NULL',
    [company.id],
  );
  const accountRows = await findIn(runner, AccountEntity, company.id);
  const [optionsRow] = await findIn(runner, LayoutOptionsEntity, company.id);
  const lists = await readCodeLists(runner, company.id);
  const codes = await readAccountCodes(runner, company.id, lists);
  const accounts = accountRows.map(
    (row): ChartAccount => ({
      id: row.id,
      number: row.number ?? '',
      name: row.name,
      element: row.element as Account['element'],
      normalSide: row.normalSide as Account['normalSide'],
      parentId: row.parentId,
      position: row.position,
      active: row.active === 1,
      role: row.role as Account['role'],
      purpose: row.purpose,
      externalNumber: row.externalNumber,
      cashFrom: row.cashFrom,
      cashUntil: row.cashUntil,
      codes: codes.get(row.id) ?? {},
      version: row.version,
    }),
  );
  const classifications = await readClassifications(runner, company, accounts);
  const main = classifications.find(({ id }) => id === company.mainClassification);
  if (!main) throw new Error(`company ${company.id} has no classification ${company.mainClassification}`);
  const { id: classificationId, name: _, version: __, ...placement } = main;
  return {
    company,
    calendar: makeCalendar(
      periods.map(({ year, number, firstDay, lastDay, isAdjusting }) => ({
        year,
        number,
        firstDay,
        lastDay,
        ...(isAdjusting === 1 ? { isAdjusting: true } : {}),
      })),
    ),
    locks: new Map(locks.map(({ year, number, ...lock }) => [periodKey({ year, number }), lock])),
    accounts,
    labels: accountLabels(accounts),
    tree: buildAccountTree(accounts),
    lists,
    pairings: await readPairings(runner, company.id, lists),
    ...placement,
    classificationId,
    classifications,
    exclusions: await rowsOf<CoverageExclusion>(
      runner,
      'SELECT scope, account_id AS accountId, reason, excluded_by AS `by`, excluded_at AS at FROM coverage_exclusion WHERE company_id = ? ORDER BY account_id',
      [company.id],
    ),
    options: { ...defaultLayoutOptions, ...(optionsRow ? (JSON.parse(optionsRow.options) as Partial<LayoutOptions>) : {}) },
    optionsVersion: optionsRow?.version ?? 0,
    retainedEarningsId: accounts.find((account) => account.role === 'retained_earnings')?.id ?? null,
  };
}

async function readClassifications(runner: QueryRunner, company: CompanyRecord, accounts: readonly ChartAccount[]): Promise<Classification[]> {
  const rows = await findIn(runner, ClassificationEntity, company.id, {}, { order: { id: 'ASC' } });
  const categoryRows = await findIn(runner, CategoryEntity, company.id);
  const captionRows = await findIn(runner, CategoryCaptionEntity, company.id);
  const rangeRows = await findIn(runner, CategoryRangeEntity, company.id);
  // While in debit before while in credit.
  const placeRows = await findIn(runner, PlaceEntity, company.id, {}, { order: { accountId: 'ASC', side: 'DESC' } });
  return rows.map(({ id, name, version }) => {
    const categories = categoryRows
      .filter(({ classificationId }) => classificationId === id)
      .map(
        ({ companyId: _, classificationId: __, ...row }): VersionedCategory => ({
          ...row,
          element: row.element as Account['element'],
          term: row.term as VersionedCategory['term'],
          step: row.step as VersionedCategory['step'],
          nature: row.nature as VersionedCategory['nature'],
          captions: captionRows
            .filter(({ categoryId }) => categoryId === row.id)
            .map(({ language, caption }) => ({ language: language as CaptionLanguage, caption })),
          ranges: rangeRows.filter(({ categoryId }) => categoryId === row.id).map(({ side, content }) => ({ side: side as PlaceSide, text: content })),
        }),
      );
    const own = placeRows.filter(({ classificationId }) => classificationId === id);
    const onlyKept = new Set(own.flatMap(({ accountId, kept }) => (kept === 1 ? [accountId] : [])));
    const places = own.map(({ accountId, side, categoryId }): Place => ({ accountId, side: side as Place['side'], categoryId }));
    const ranges = categories.flatMap((category) => category.ranges.map(({ side, text }): CategoryRange => rangeOf(category.id, side, text)));
    const categoryTree = buildCategoryTree(categories);
    return { id, name, version, categories, categoryTree, places, onlyKept, ranges, ...standingOf(accounts, places, ranges, categoryTree, company.digitOrder) };
  });
}

function rangeOf(categoryId: number, side: PlaceSide, text: string): CategoryRange {
  const read = readRangeText(text, null);
  if (!read.ok) throw new Error(`a stored range cannot be read: ${text}`);
  return { categoryId, side, ranges: read.value };
}
