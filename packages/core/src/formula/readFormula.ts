import { fail, type Outcome, succeed } from '../outcome.ts';
import type { ArithmeticSign, ComparisonSign, Condition, Formula, InText, SiblingSpan } from './formula.ts';
import { formulaWords } from './formulaFunctions.ts';
import { fractionOfDecimal } from './fraction.ts';

/** `at` and `length`: the characters of the text that are wrong; of length zero where something is missing there. */
export interface FormulaMalformed extends InText {
  readonly code: 'formula_malformed';
  readonly reason:
    | 'empty'
    | 'value_missing'
    | 'comparison_missing'
    | 'parenthesis_missing'
    | 'comma_missing'
    | 'character_unknown'
    | 'quote_left_open'
    | 'function_unknown'
    | 'span_outside_sum'
    | 'left_over'
    | 'too_deep';
}

type Symbol = ArithmeticSign | ComparisonSign | '(' | ')' | ',';
type Token = InText & ({ kind: 'number' | 'word' | 'quoted'; text: string } | { kind: 'symbol'; symbol: Symbol });

const numberAt = /\d+(\.\d+)?/y;
const wordAt = /[\p{L}_][\p{L}\p{N}_.]*/uy;
const quotedAt = /"((?:[^"]|"")*)"/y;
const symbolAt = /<=|>=|<>|[≤≥≠−×÷+\-*/<>=(),]/y;
const symbols: Readonly<Record<string, Symbol>> = { '≤': '<=', '≥': '>=', '≠': '<>', '−': '-', '×': '*', '÷': '/' };
const comparisons: ReadonlySet<string> = new Set(['<', '<=', '=', '<>', '>=', '>']);
/** Parentheses within each other; nobody writes more, and a file may. */
const deepest = 60;

/**
 * Reads plain arithmetic over lines: `(revenue - cost_of_sales) / revenue`. A line is named by its key, in quotes where the key is no plain
 * word: `"net.12"`. `×`, `÷`, `−`, `≤`, `≥` and `≠` may be written for `*`, `/`, `-`, `<=`, `>=` and `<>`.
 */
export function readFormula(text: string): Outcome<Formula, FormulaMalformed> {
  const tokens = tokensOf(text);
  if (!Array.isArray(tokens)) return fail(tokens);
  if (tokens.length === 0) return fail({ code: 'formula_malformed', at: 0, length: 0, reason: 'empty' });
  try {
    return succeed(new Reader(tokens, text.length).whole());
  } catch (thrown) {
    if (thrown instanceof Malformed) return fail(thrown.fault);
    throw thrown;
  }
}

/** Leaves the reader from however deep it is; never leaves this file. */
class Malformed extends Error {
  constructor(readonly fault: FormulaMalformed) {
    super(fault.reason);
  }
}

function tokensOf(text: string): Token[] | FormulaMalformed {
  const tokens: Token[] = [];
  const match = (pattern: RegExp, at: number): RegExpExecArray | null => {
    pattern.lastIndex = at;
    return pattern.exec(text);
  };
  for (let at = 0; at < text.length; ) {
    if (/\s/.test(text[at] as string)) {
      at++;
      continue;
    }
    const [number, word, quoted, symbol] = [match(numberAt, at), match(wordAt, at), match(quotedAt, at), match(symbolAt, at)];
    const found = number ?? word ?? quoted ?? symbol;
    if (!found) {
      const isQuote = text[at] === '"';
      return { code: 'formula_malformed', at, length: isQuote ? text.length - at : 1, reason: isQuote ? 'quote_left_open' : 'character_unknown' };
    }
    const place = { at, length: found[0].length };
    if (number) tokens.push({ ...place, kind: 'number', text: number[0] });
    else if (word) tokens.push({ ...place, kind: 'word', text: word[0] });
    else if (quoted) tokens.push({ ...place, kind: 'quoted', text: (quoted[1] as string).replaceAll('""', '"') });
    else tokens.push({ ...place, kind: 'symbol', symbol: symbols[found[0]] ?? (found[0] as Symbol) });
    at += found[0].length;
  }
  return tokens;
}

/** From left to right, products before sums. */
class Reader {
  private next = 0;
  private depth = 0;

  constructor(
    private readonly tokens: readonly Token[],
    private readonly end: number,
  ) {}

  whole(): Formula {
    const formula = this.sumOf();
    const left = this.tokens[this.next];
    if (left) this.refuse('left_over', left);
    return formula;
  }

  private sumOf(): Formula {
    let left = this.product();
    for (let sign = this.takeSign(['+', '-']); sign; sign = this.takeSign(['+', '-'])) left = joined(sign, left, this.product());
    return left;
  }

  private product(): Formula {
    let left = this.value();
    for (let sign = this.takeSign(['*', '/']); sign; sign = this.takeSign(['*', '/'])) left = joined(sign, left, this.value());
    return left;
  }

  private value(): Formula {
    const token = this.tokens[this.next];
    if (!token) return this.refuse('value_missing');
    if (++this.depth > deepest) this.refuse('too_deep', token);
    const read = this.valueAt(token);
    this.depth--;
    return read;
  }

  private valueAt(token: Token): Formula {
    const place = { at: token.at, length: token.length };
    if (token.kind === 'symbol') {
      if (token.symbol === '-') {
        this.next++;
        const inner = this.value();
        return { kind: 'negative', inner, at: token.at, length: inner.at + inner.length - token.at };
      }
      if (token.symbol !== '(') return this.refuse('value_missing', token);
      this.next++;
      const inner = this.sumOf();
      const close = this.take(')', 'parenthesis_missing');
      return { ...inner, at: token.at, length: close.at + 1 - token.at };
    }
    this.next++;
    if (token.kind === 'number') return { kind: 'number', value: fractionOfDecimal(token.text), ...place };
    if (token.kind === 'quoted') return { kind: 'line', key: token.text, ...place };
    const word = token.text.toLowerCase();
    if (this.isSymbol('(')) return this.call(token, word);
    if (word === 'days') return { kind: 'days', ...place };
    return formulaWords.has(word) ? this.refuse('value_missing', token) : { kind: 'line', key: token.text, ...place };
  }

  private call(token: Token & { text: string }, word: string): Formula {
    this.next++;
    const ends = () => {
      const close = this.take(')', 'parenthesis_missing');
      return { at: token.at, length: close.at + 1 - token.at };
    };
    switch (word) {
      case 'abs': {
        const inner = [this.sumOf()];
        return { kind: 'call', name: 'abs', inner, ...ends() };
      }
      case 'min':
      case 'max': {
        const inner = this.list(() => this.sumOf());
        return { kind: 'call', name: word, inner, ...ends() };
      }
      case 'sum': {
        const inner = this.list(() => this.spanOrSum());
        return { kind: 'sum', inner, ...ends() };
      }
      case 'if': {
        const condition = this.either();
        this.take(',', 'comma_missing');
        const then = this.sumOf();
        this.take(',', 'comma_missing');
        const otherwise = this.sumOf();
        return { kind: 'if', condition, then, otherwise, ...ends() };
      }
      default:
        return this.refuse('function_unknown', token);
    }
  }

  private list<Part>(one: () => Part): Part[] {
    const parts = [one()];
    while (this.isSymbol(',')) {
      this.next++;
      parts.push(one());
    }
    return parts;
  }

  private spanOrSum(): Formula | SiblingSpan {
    const from = this.sumOf();
    if (!this.isWord('to')) return from;
    const between = this.tokens[this.next] as Token;
    this.next++;
    const to = this.value();
    if (from.kind !== 'line' || to.kind !== 'line') return this.refuse('span_outside_sum', between);
    return { kind: 'span', from, to, at: from.at, length: to.at + to.length - from.at };
  }

  private either(): Condition {
    let left = this.both();
    while (this.isWord('or')) {
      this.next++;
      left = paired('or', left, this.both());
    }
    return left;
  }

  private both(): Condition {
    let left = this.comparison();
    while (this.isWord('and')) {
      this.next++;
      left = paired('and', left, this.comparison());
    }
    return left;
  }

  private comparison(): Condition {
    const left = this.sumOf();
    const token = this.tokens[this.next];
    if (token?.kind !== 'symbol' || !comparisons.has(token.symbol)) return this.refuse('comparison_missing', token);
    this.next++;
    const right = this.sumOf();
    return { kind: 'comparison', sign: token.symbol as ComparisonSign, left, right, at: left.at, length: right.at + right.length - left.at };
  }

  private takeSign<Sign extends ArithmeticSign>(signs: readonly Sign[]): Sign | undefined {
    const token = this.tokens[this.next];
    const found = token?.kind === 'symbol' ? signs.find((sign) => sign === token.symbol) : undefined;
    if (found !== undefined) this.next++;
    return found;
  }

  private take(symbol: ')' | ',', reason: FormulaMalformed['reason']): Token {
    const token = this.tokens[this.next];
    if (!this.isSymbol(symbol)) return this.refuse(this.isWord('to') ? 'span_outside_sum' : reason, token);
    this.next++;
    return token as Token;
  }

  private isSymbol(symbol: Symbol): boolean {
    const token = this.tokens[this.next];
    return token?.kind === 'symbol' && token.symbol === symbol;
  }

  private isWord(word: string): boolean {
    const token = this.tokens[this.next];
    return token?.kind === 'word' && token.text.toLowerCase() === word;
  }

  /** At the token, or at the end of the text. */
  private refuse(reason: FormulaMalformed['reason'], token?: InText): never {
    throw new Malformed({ code: 'formula_malformed', at: token?.at ?? this.end, length: token?.length ?? 0, reason });
  }
}

function joined(sign: ArithmeticSign, left: Formula, right: Formula): Formula {
  return { kind: 'arithmetic', sign, left, right, at: left.at, length: right.at + right.length - left.at };
}

function paired(kind: 'and' | 'or', left: Condition, right: Condition): Condition {
  return { kind, left, right, at: left.at, length: right.at + right.length - left.at };
}
