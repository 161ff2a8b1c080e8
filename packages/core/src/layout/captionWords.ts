import type { Element } from '../chart/element.ts';

/** Languages whose words for generated lines come with the product (BCP 47). */
export const captionLanguages = ['en', 'de', 'fr', 'nl', 'es', 'nb'] as const;
export type CaptionLanguage = (typeof captionLanguages)[number];

/** What generated lines, titles and columns are called in one language. */
export interface CaptionWords {
  readonly balanceSheet: string;
  readonly incomeStatement: string;
  readonly trialBalance: string;
  /** Of all five. */
  readonly elements: Readonly<Record<Element, string>>;
  readonly nonCurrentAssets: string;
  readonly currentAssets: string;
  readonly nonCurrentLiabilities: string;
  readonly currentLiabilities: string;
  readonly liabilitiesAndEquity: string;
  readonly resultOfYear: string;
  readonly earlierNotAllotted: string;
  readonly revenue: string;
  readonly grossProfit: string;
  readonly operatingProfit: string;
  readonly profitBeforeFinancing: string;
  readonly profitBeforeTax: string;
  readonly profitFromContinuing: string;
  readonly profit: string;
  /** Head of the column of differences. */
  readonly change: string;
  /** Before the name of a budget, where a column is of one. */
  readonly budget: string;
  /** Head of the column of notes to the statements. */
  readonly note: string;
  readonly thousands: string;
  readonly millions: string;
  /** Said under a scaled statement, by how it was rounded. */
  readonly roundedEach: string;
  readonly roundedFooted: string;
  /** Of a column that ends a year with a period for adjustments: without it, and it alone. */
  readonly beforeAdjusting: string;
  readonly adjustingOnly: string;
  /** Between the days of two columns. */
  readonly and: string;
  /** Before what a change is measured against. */
  readonly from: string;
  /** Between the first and the last day of a span. */
  readonly to: string;
  total(caption: string): string;
  /** Of a category that is deducted. */
  less(caption: string): string;
  net(caption: string): string;
  notSubdivided(caption: string): string;
  /** Amounts on an account that has sub-accounts. */
  postedDirectly(account: string): string;
  /** Over a column whose accounts stand where they stood on an earlier day. */
  classifiedOn(day: string): string;
}

/** `Revenue` → `revenue`; a word in capitals such as VAT stays. */
function lowerFirst(name: string): string {
  return /^[A-ZÀ-Þ][^A-ZÀ-Þ]/.test(name) ? name.charAt(0).toLowerCase() + name.slice(1) : name;
}

/** German writes nouns with a capital: only an adjective before one gives it up, `Sonstige Erträge` → `sonstige Erträge`. */
function lowerAdjective(name: string): string {
  return /^\p{Lu}\p{Ll}*(ige|liche|ische|elle|ene|bare)[nrs]? \p{Lu}/u.test(name) ? name.charAt(0).toLowerCase() + name.slice(1) : name;
}

/** Terms of the trade as IFRS in the language has them where it names the line; from memory, common practice. */
export const captionWords: Readonly<Record<CaptionLanguage, CaptionWords>> = {
  en: {
    trialBalance: 'Trial balance by category',
    elements: { asset: 'Assets', liability: 'Liabilities', equity: 'Equity', income: 'Income', expense: 'Expenses' },
    balanceSheet: 'Balance sheet',
    incomeStatement: 'Income statement',
    nonCurrentAssets: 'Non-current assets',
    currentAssets: 'Current assets',
    nonCurrentLiabilities: 'Non-current liabilities',
    currentLiabilities: 'Current liabilities',
    liabilitiesAndEquity: 'Liabilities and equity',
    resultOfYear: 'Result of the year',
    earlierNotAllotted: 'Profit of earlier years, not allotted',
    revenue: 'Revenue',
    grossProfit: 'Gross profit',
    operatingProfit: 'Operating profit',
    profitBeforeFinancing: 'Profit before financing and income tax',
    profitBeforeTax: 'Profit before tax',
    profitFromContinuing: 'Profit from continuing operations',
    profit: 'Profit for the period',
    change: 'Change',
    budget: 'Budget',
    note: 'Note',
    thousands: 'thousands',
    millions: 'millions',
    roundedEach: 'Each figure is rounded by itself; totals may not be the sum of what is shown.',
    roundedFooted: 'Rounded so that parts come to their totals, down and across.',
    beforeAdjusting: 'before adjustments of the year',
    adjustingOnly: 'adjustments of the year',
    and: 'and',
    from: 'from',
    to: 'to',
    total: (caption) => `Total ${lowerFirst(caption)}`,
    less: (caption) => `Less ${lowerFirst(caption)}`,
    net: (caption) => `${caption}, net`,
    notSubdivided: (caption) => `${caption}, not subdivided`,
    postedDirectly: (account) => `Posted directly to ${account}`,
    classifiedOn: (day) => `as classified on ${day}`,
  },
  de: {
    trialBalance: 'Saldenliste nach Kategorien',
    elements: { asset: 'Vermögenswerte', liability: 'Schulden', equity: 'Eigenkapital', income: 'Erträge', expense: 'Aufwendungen' },
    balanceSheet: 'Bilanz',
    incomeStatement: 'Gewinn- und Verlustrechnung',
    nonCurrentAssets: 'Langfristige Vermögenswerte',
    currentAssets: 'Kurzfristige Vermögenswerte',
    nonCurrentLiabilities: 'Langfristige Schulden',
    currentLiabilities: 'Kurzfristige Schulden',
    liabilitiesAndEquity: 'Schulden und Eigenkapital',
    resultOfYear: 'Ergebnis des Geschäftsjahres',
    earlierNotAllotted: 'Ergebnis früherer Jahre, nicht zugeordnet',
    revenue: 'Umsatzerlöse',
    grossProfit: 'Bruttoergebnis',
    operatingProfit: 'Betriebsergebnis',
    profitBeforeFinancing: 'Ergebnis vor Finanzierung und Ertragsteuern',
    profitBeforeTax: 'Ergebnis vor Steuern',
    profitFromContinuing: 'Ergebnis aus fortgeführten Geschäftsbereichen',
    profit: 'Ergebnis der Periode',
    change: 'Veränderung',
    budget: 'Budget',
    note: 'Anhang',
    thousands: 'Tausend',
    millions: 'Millionen',
    roundedEach: 'Jeder Betrag ist für sich gerundet; Summen können von der Addition der gezeigten Beträge abweichen.',
    roundedFooted: 'So gerundet, dass die Teile ihre Summen ergeben, nach unten und quer.',
    beforeAdjusting: 'vor Abschlussbuchungen',
    adjustingOnly: 'Abschlussbuchungen',
    and: 'und',
    from: 'gegenüber',
    to: 'bis',
    total: (caption) => `Summe ${lowerAdjective(caption)}`,
    less: (caption) => `Abzüglich ${lowerAdjective(caption)}`,
    net: (caption) => `${caption}, netto`,
    notSubdivided: (caption) => `${caption}, nicht unterteilt`,
    postedDirectly: (account) => `Direkt gebucht auf ${account}`,
    classifiedOn: (day) => `Gliederung vom ${day}`,
  },
  fr: {
    trialBalance: 'Balance par catégorie',
    elements: { asset: 'Actifs', liability: 'Passifs', equity: 'Capitaux propres', income: 'Produits', expense: 'Charges' },
    balanceSheet: 'Bilan',
    incomeStatement: 'Compte de résultat',
    nonCurrentAssets: 'Actifs non courants',
    currentAssets: 'Actifs courants',
    nonCurrentLiabilities: 'Passifs non courants',
    currentLiabilities: 'Passifs courants',
    liabilitiesAndEquity: 'Passifs et capitaux propres',
    resultOfYear: 'Résultat de l’exercice',
    earlierNotAllotted: 'Résultat des exercices antérieurs, non affecté',
    revenue: 'Produits des activités ordinaires',
    grossProfit: 'Marge brute',
    operatingProfit: 'Résultat opérationnel',
    profitBeforeFinancing: 'Résultat avant financement et impôt sur le résultat',
    profitBeforeTax: 'Résultat avant impôt',
    profitFromContinuing: 'Résultat des activités poursuivies',
    profit: 'Résultat de la période',
    change: 'Variation',
    budget: 'Budget',
    note: 'Note',
    thousands: 'milliers',
    millions: 'millions',
    roundedEach: 'Chaque montant est arrondi séparément ; les totaux peuvent différer de la somme des montants présentés.',
    roundedFooted: 'Arrondis de sorte que les parties donnent leurs totaux, en colonnes et en lignes.',
    beforeAdjusting: 'avant écritures d’inventaire',
    adjustingOnly: 'écritures d’inventaire',
    and: 'et',
    from: 'par rapport à',
    to: 'au',
    total: (caption) => `Total ${lowerFirst(caption)}`,
    less: (caption) => `Moins : ${lowerFirst(caption)}`,
    net: (caption) => `${caption}, net`,
    notSubdivided: (caption) => `${caption}, non ventilé`,
    postedDirectly: (account) => `Comptabilisé directement sur ${account}`,
    classifiedOn: (day) => `classement au ${day}`,
  },
  nl: {
    trialBalance: 'Proefbalans naar categorie',
    elements: { asset: 'Activa', liability: 'Verplichtingen', equity: 'Eigen vermogen', income: 'Baten', expense: 'Lasten' },
    balanceSheet: 'Balans',
    incomeStatement: 'Winst-en-verliesrekening',
    nonCurrentAssets: 'Vaste activa',
    currentAssets: 'Vlottende activa',
    nonCurrentLiabilities: 'Langlopende verplichtingen',
    currentLiabilities: 'Kortlopende verplichtingen',
    liabilitiesAndEquity: 'Verplichtingen en eigen vermogen',
    resultOfYear: 'Resultaat van het boekjaar',
    earlierNotAllotted: 'Resultaat van eerdere jaren, niet toegerekend',
    revenue: 'Opbrengsten',
    grossProfit: 'Brutowinst',
    operatingProfit: 'Bedrijfsresultaat',
    profitBeforeFinancing: 'Resultaat vóór financiering en winstbelasting',
    profitBeforeTax: 'Resultaat vóór belasting',
    profitFromContinuing: 'Resultaat uit voortgezette activiteiten',
    profit: 'Resultaat over de periode',
    change: 'Verandering',
    budget: 'Begroting',
    note: 'Toelichting',
    thousands: 'duizenden',
    millions: 'miljoenen',
    roundedEach: 'Elk bedrag is afzonderlijk afgerond; totalen kunnen afwijken van de som van de getoonde bedragen.',
    roundedFooted: 'Zo afgerond dat de delen op hun totalen uitkomen, in kolommen en in rijen.',
    beforeAdjusting: 'vóór correcties van het jaar',
    adjustingOnly: 'correcties van het jaar',
    and: 'en',
    from: 'ten opzichte van',
    to: 't/m',
    total: (caption) => `Totaal ${lowerFirst(caption)}`,
    less: (caption) => `Af: ${lowerFirst(caption)}`,
    net: (caption) => `${caption}, netto`,
    notSubdivided: (caption) => `${caption}, niet onderverdeeld`,
    postedDirectly: (account) => `Rechtstreeks geboekt op ${account}`,
    classifiedOn: (day) => `indeling per ${day}`,
  },
  es: {
    trialBalance: 'Balance de comprobación por categorías',
    elements: { asset: 'Activos', liability: 'Pasivos', equity: 'Patrimonio neto', income: 'Ingresos', expense: 'Gastos' },
    balanceSheet: 'Balance',
    incomeStatement: 'Estado de resultados',
    nonCurrentAssets: 'Activos no corrientes',
    currentAssets: 'Activos corrientes',
    nonCurrentLiabilities: 'Pasivos no corrientes',
    currentLiabilities: 'Pasivos corrientes',
    liabilitiesAndEquity: 'Pasivos y patrimonio neto',
    resultOfYear: 'Resultado del ejercicio',
    earlierNotAllotted: 'Resultado de ejercicios anteriores, sin asignar',
    revenue: 'Ingresos de actividades ordinarias',
    grossProfit: 'Ganancia bruta',
    operatingProfit: 'Resultado de operación',
    profitBeforeFinancing: 'Resultado antes de financiación e impuesto a las ganancias',
    profitBeforeTax: 'Resultado antes de impuestos',
    profitFromContinuing: 'Resultado de operaciones continuadas',
    profit: 'Resultado del periodo',
    change: 'Variación',
    budget: 'Presupuesto',
    note: 'Nota',
    thousands: 'miles',
    millions: 'millones',
    roundedEach: 'Cada importe se redondea por separado; los totales pueden no ser la suma de lo mostrado.',
    roundedFooted: 'Redondeado de modo que las partes sumen sus totales, en columnas y en filas.',
    beforeAdjusting: 'antes de ajustes del año',
    adjustingOnly: 'ajustes del año',
    and: 'y',
    from: 'frente a',
    to: 'a',
    total: (caption) => `Total ${lowerFirst(caption)}`,
    less: (caption) => `Menos: ${lowerFirst(caption)}`,
    net: (caption) => `${caption}, neto`,
    notSubdivided: (caption) => `${caption}, sin desglosar`,
    postedDirectly: (account) => `Registrado directamente en ${account}`,
    classifiedOn: (day) => `clasificación al ${day}`,
  },
  nb: {
    trialBalance: 'Saldobalanse etter kategori',
    elements: { asset: 'Eiendeler', liability: 'Gjeld', equity: 'Egenkapital', income: 'Inntekter', expense: 'Kostnader' },
    balanceSheet: 'Balanse',
    incomeStatement: 'Resultatregnskap',
    nonCurrentAssets: 'Anleggsmidler',
    currentAssets: 'Omløpsmidler',
    nonCurrentLiabilities: 'Langsiktig gjeld',
    currentLiabilities: 'Kortsiktig gjeld',
    liabilitiesAndEquity: 'Gjeld og egenkapital',
    resultOfYear: 'Årets resultat',
    earlierNotAllotted: 'Resultat fra tidligere år, ikke fordelt',
    revenue: 'Driftsinntekter',
    grossProfit: 'Bruttofortjeneste',
    operatingProfit: 'Driftsresultat',
    profitBeforeFinancing: 'Resultat før finansiering og skatt',
    profitBeforeTax: 'Resultat før skatt',
    profitFromContinuing: 'Resultat fra videreført virksomhet',
    profit: 'Periodens resultat',
    change: 'Endring',
    budget: 'Budsjett',
    note: 'Note',
    thousands: 'tusen',
    millions: 'millioner',
    roundedEach: 'Hvert beløp er avrundet for seg; summer kan avvike fra summen av det som vises.',
    roundedFooted: 'Avrundet slik at delene gir summene sine, nedover og bortover.',
    beforeAdjusting: 'før årets justeringer',
    adjustingOnly: 'årets justeringer',
    and: 'og',
    from: 'fra',
    to: 'til',
    total: (caption) => `Sum ${lowerFirst(caption)}`,
    less: (caption) => `Fradrag: ${lowerFirst(caption)}`,
    net: (caption) => `${caption}, netto`,
    notSubdivided: (caption) => `${caption}, ikke inndelt`,
    postedDirectly: (account) => `Ført direkte på ${account}`,
    classifiedOn: (day) => `klassifisering per ${day}`,
  },
};
