import type { Account, CodesOfAccount, Day, FacetsOfLine, FigureKind, FiscalYear, Layer } from '@ivory-ladder/core';
import type { Actor } from './actor.ts';
import type { ChartAccount, PlacesByHand } from './books.ts';

export interface NewEntry {
  readonly date: Day;
  readonly description: string;
  readonly layer: Layer;
  readonly source: 'manual' | 'trial_balance' | 'reversal' | 'reclassification' | 'demo' | 'import' | 'closing';
  readonly closesYear: number | null;
  readonly reversesEntryId: number | null;
  /** Sets opening balances; on balance sheet accounts alone. */
  readonly isOpening?: boolean;
  /** The series that it is numbered in; the company's plain numbers where it names none. */
  readonly seriesId?: number;
  /** Net zero; either debit or credit of a line is zero, none is negative. Accounts by id. */
  readonly lines: readonly NewLine[];
}

/** What a line is in another currency, on its own side, in minor units. */
export interface ForeignAmount {
  readonly currency: string;
  readonly amount: bigint;
  /** `null`: it follows from both amounts. */
  readonly rate: string | null;
}

export interface NewLine {
  readonly accountId: number;
  readonly debit: bigint;
  readonly credit: bigint;
  readonly text: string;
  /** Nothing is filled in any more: defaults of the account are there already. */
  readonly facets?: FacetsOfLine;
  readonly foreign?: ForeignAmount | null;
}

/** Who asked and with which key; the key is kept for 30 days. */
export interface Request {
  readonly actor: Actor;
  readonly idempotencyKey: string | null;
  /** Of the operation and its body, to tell a repeated request from another one with the same key. */
  readonly requestHash: Buffer;
}

export interface PostedEntry {
  readonly entryId: number;
  readonly documentNumber: string;
  readonly date: Day;
  readonly lines: number;
}

interface NewAccount {
  readonly number: string;
  readonly name: string;
  readonly element: Account['element'];
  readonly normalSide: Account['normalSide'];
  readonly parentNumber: string | null;
}

/** Everything one trial balance changes; applied in one transaction, whole or not at all. */
export interface TrialBalancePlan {
  readonly expectedRevision: number;
  readonly expectedStructure: number;
  readonly fileId: number;
  readonly day: Day;
  readonly figures: FigureKind;
  readonly newYears: readonly FiscalYear[];
  readonly newAccounts: readonly NewAccount[];
  readonly retainedEarnings: string | null;
  /** Category paths to find or make, and the account numbers to place there. */
  readonly places: readonly { readonly element: Account['element']; readonly path: readonly string[]; readonly numbers: readonly string[] }[];
  /** Lines by account number, since some accounts are only made with the plan. */
  readonly entries: readonly {
    readonly date: Day;
    readonly closesYear: number | null;
    readonly description: string;
    readonly lines: readonly { readonly number: string; readonly net: bigint }[];
  }[];
  readonly withdraw: readonly number[];
  /** Whether the trial balance is remembered though nothing is posted. */
  readonly remember: boolean;
}

/** What reverses the entries of a trial balance, and keeps those of files behind it; applied in one transaction. */
export interface TakingBackPlan {
  readonly trialBalanceId: number;
  readonly expectedRevision: number;
  /** Its entries, withdrawn adjustments among them. */
  readonly reversed: readonly number[];
  readonly description: string;
  readonly kept: readonly {
    readonly date: Day;
    readonly closesYear: number | null;
    readonly description: string;
    readonly lines: readonly { readonly accountId: number; readonly net: bigint }[];
  }[];
}

/** One account merged into another; applied in one transaction. */
export interface MergePlan {
  readonly from: ChartAccount;
  readonly into: ChartAccount;
  /** In each classification both stand in one place from now on: that of the account that stays, or of the other where it has none. */
  readonly moved: readonly PlacesByHand[];
  /** The role that goes along. What was cash stays so until the day; the other is cash from then on, where it was not before. */
  readonly role: Account['role'];
  readonly day: Day;
  /** What the other gets from lists that it has no code of. */
  readonly codes: CodesOfAccount;
  readonly entries: readonly NewEntry[];
  readonly period: { readonly year: number; readonly number: number };
}

export interface PostingOutcome {
  readonly posted: boolean;
  readonly entries: readonly PostedEntry[];
  readonly newAccounts: number;
  readonly revision: number;
}
