interface Found {
  readonly number: string;
  readonly name: string;
  readonly label: string;
}

/**
 * Accounts whose number or name has what is typed in it, so many at most: those whose number begins with it first, then those with a word
 * of the name that does, then the rest; among alikes in the order given.
 */
export function accountsFound<Account extends Found>(accounts: readonly Account[], typed: string, most: number): Account[] {
  const sought = typed.trim().toLowerCase();
  if (sought === '') return accounts.slice(0, most);
  const ranked: [Account[], Account[], Account[]] = [[], [], []];
  for (const account of accounts) {
    const label = account.label.toLowerCase();
    if (!label.includes(sought)) continue;
    const begins = label.startsWith(sought) || account.number.toLowerCase().startsWith(sought) ? 0 : isInWord(account.name.toLowerCase(), sought) ? 1 : 2;
    ranked[begins].push(account);
  }
  return ranked.flat().slice(0, most);
}

function isInWord(name: string, sought: string): boolean {
  for (let at = name.indexOf(sought); at >= 0; at = name.indexOf(sought, at + 1)) if (at === 0 || !/[\p{L}\p{N}]/u.test(name[at - 1] as string)) return true;
  return false;
}
