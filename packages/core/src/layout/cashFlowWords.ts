import type { CaptionLanguage } from './captionWords.ts';

/** What the lines of a generated cash flow are called in one language. */
export interface CashFlowWords {
  readonly title: string;
  readonly operating: string;
  readonly investing: string;
  readonly financing: string;
  readonly netOperating: string;
  readonly netInvesting: string;
  readonly netFinancing: string;
  /** Items of profit that move no cash, or are shown elsewhere. */
  readonly adjustments: string;
  readonly beforeWorkingCapital: string;
  readonly workingCapital: string;
  readonly generated: string;
  readonly interestExpense: string;
  readonly interestIncome: string;
  readonly dividendIncome: string;
  readonly incomeTax: string;
  readonly investingResult: string;
  readonly financingResult: string;
  /** The same, where their cash stands. */
  readonly investingCash: string;
  readonly financingCash: string;
  readonly exchangeInProfit: string;
  /** Income and expense of entries that moved no cash though they are of several activities, such as an expense that a loan paid. */
  readonly inProfitWithoutCash: string;
  /** Income and expense that the profit at the start leaves out. */
  readonly besideProfit: string;
  readonly interestPaid: string;
  readonly interestReceived: string;
  readonly dividendsPaid: string;
  readonly dividendsReceived: string;
  readonly incomeTaxPaid: string;
  readonly overdrafts: string;
  readonly opening: string;
  readonly netChange: string;
  readonly exchange: string;
  readonly closing: string;
  additions(caption: string): string;
  disposals(caption: string): string;
  /** Of what is deducted from an asset: depreciation and the like. */
  charge(caption: string): string;
  proceeds(caption: string): string;
  repayments(caption: string): string;
}

/** Terms of IAS 7 in the language where it names the line; from memory, common practice. */
export const cashFlowWords: Readonly<Record<CaptionLanguage, CashFlowWords>> = {
  en: {
    title: 'Cash flow statement',
    operating: 'Operating activities',
    investing: 'Investing activities',
    financing: 'Financing activities',
    netOperating: 'Net cash from operating activities',
    netInvesting: 'Net cash from investing activities',
    netFinancing: 'Net cash from financing activities',
    adjustments: 'Adjustments for',
    beforeWorkingCapital: 'Before changes in working capital',
    workingCapital: 'Changes in working capital',
    generated: 'Cash generated from operations',
    interestExpense: 'Interest expense',
    interestIncome: 'Interest income',
    dividendIncome: 'Dividend income',
    incomeTax: 'Income tax expense',
    investingResult: 'Investment income and results of disposals',
    financingResult: 'Other results of financing',
    investingCash: 'From investment income and disposals',
    financingCash: 'From other results of financing',
    exchangeInProfit: 'Exchange differences on cash',
    inProfitWithoutCash: 'Other income and expenses without cash',
    besideProfit: 'Other income and expense',
    interestPaid: 'Interest paid',
    interestReceived: 'Interest received',
    dividendsPaid: 'Dividends paid',
    dividendsReceived: 'Dividends received',
    incomeTaxPaid: 'Income taxes paid',
    overdrafts: 'Bank overdrafts',
    opening: 'Cash and cash equivalents at the beginning',
    netChange: 'Net change in cash and cash equivalents',
    exchange: 'Effect of exchange rates',
    closing: 'Cash and cash equivalents at the end',
    additions: (caption) => `${caption}, additions`,
    disposals: (caption) => `${caption}, disposals`,
    charge: (caption) => `${caption}, depreciation`,
    proceeds: (caption) => `${caption}, proceeds`,
    repayments: (caption) => `${caption}, payments`,
  },
  de: {
    title: 'Kapitalflussrechnung',
    operating: 'Betriebliche Tätigkeit',
    investing: 'Investitionstätigkeit',
    financing: 'Finanzierungstätigkeit',
    netOperating: 'Nettozahlungsmittel aus betrieblicher Tätigkeit',
    netInvesting: 'Nettozahlungsmittel aus Investitionstätigkeit',
    netFinancing: 'Nettozahlungsmittel aus Finanzierungstätigkeit',
    adjustments: 'Anpassungen für',
    beforeWorkingCapital: 'Vor Veränderungen des Nettoumlaufvermögens',
    workingCapital: 'Veränderungen des Nettoumlaufvermögens',
    generated: 'Zahlungsmittel aus der Geschäftstätigkeit',
    interestExpense: 'Zinsaufwand',
    interestIncome: 'Zinserträge',
    dividendIncome: 'Dividendenerträge',
    incomeTax: 'Ertragsteueraufwand',
    investingResult: 'Anlageerträge und Abgangsergebnisse',
    financingResult: 'Sonstiges Finanzierungsergebnis',
    investingCash: 'Aus Anlageerträgen und Abgängen',
    financingCash: 'Aus sonstigem Finanzierungsergebnis',
    exchangeInProfit: 'Kursdifferenzen auf Zahlungsmittel',
    inProfitWithoutCash: 'Sonstige zahlungsunwirksame Erträge und Aufwendungen',
    besideProfit: 'Sonstige Erträge und Aufwendungen',
    interestPaid: 'Gezahlte Zinsen',
    interestReceived: 'Erhaltene Zinsen',
    dividendsPaid: 'Gezahlte Dividenden',
    dividendsReceived: 'Erhaltene Dividenden',
    incomeTaxPaid: 'Gezahlte Ertragsteuern',
    overdrafts: 'Kontokorrentkredite',
    opening: 'Zahlungsmittel und Zahlungsmitteläquivalente zu Beginn',
    netChange: 'Nettoveränderung der Zahlungsmittel und Zahlungsmitteläquivalente',
    exchange: 'Auswirkung von Wechselkursänderungen',
    closing: 'Zahlungsmittel und Zahlungsmitteläquivalente am Ende',
    additions: (caption) => `${caption}, Zugänge`,
    disposals: (caption) => `${caption}, Abgänge`,
    charge: (caption) => `${caption}, Abschreibungen`,
    proceeds: (caption) => `${caption}, Einzahlungen`,
    repayments: (caption) => `${caption}, Auszahlungen`,
  },
  fr: {
    title: 'Tableau des flux de trésorerie',
    operating: 'Activités opérationnelles',
    investing: 'Activités d’investissement',
    financing: 'Activités de financement',
    netOperating: 'Trésorerie nette liée aux activités opérationnelles',
    netInvesting: 'Trésorerie nette liée aux activités d’investissement',
    netFinancing: 'Trésorerie nette liée aux activités de financement',
    adjustments: 'Ajustements pour',
    beforeWorkingCapital: 'Avant variation du besoin en fonds de roulement',
    workingCapital: 'Variation du besoin en fonds de roulement',
    generated: 'Trésorerie générée par les opérations',
    interestExpense: 'Charges d’intérêts',
    interestIncome: 'Produits d’intérêts',
    dividendIncome: 'Produits de dividendes',
    incomeTax: 'Impôt sur le résultat',
    investingResult: 'Produits de placements et résultats de cession',
    financingResult: 'Autres résultats de financement',
    investingCash: 'Issus des placements et cessions',
    financingCash: 'Issus des autres résultats de financement',
    exchangeInProfit: 'Différences de change sur la trésorerie',
    inProfitWithoutCash: 'Autres produits et charges sans effet sur la trésorerie',
    besideProfit: 'Autres produits et charges',
    interestPaid: 'Intérêts payés',
    interestReceived: 'Intérêts reçus',
    dividendsPaid: 'Dividendes payés',
    dividendsReceived: 'Dividendes reçus',
    incomeTaxPaid: 'Impôts sur le résultat payés',
    overdrafts: 'Découverts bancaires',
    opening: 'Trésorerie et équivalents de trésorerie à l’ouverture',
    netChange: 'Variation nette de la trésorerie et des équivalents de trésorerie',
    exchange: 'Effet des variations de change',
    closing: 'Trésorerie et équivalents de trésorerie à la clôture',
    additions: (caption) => `${caption}, acquisitions`,
    disposals: (caption) => `${caption}, cessions`,
    charge: (caption) => `${caption}, amortissements`,
    proceeds: (caption) => `${caption}, encaissements`,
    repayments: (caption) => `${caption}, décaissements`,
  },
  nl: {
    title: 'Kasstroomoverzicht',
    operating: 'Operationele activiteiten',
    investing: 'Investeringsactiviteiten',
    financing: 'Financieringsactiviteiten',
    netOperating: 'Nettokasstroom uit operationele activiteiten',
    netInvesting: 'Nettokasstroom uit investeringsactiviteiten',
    netFinancing: 'Nettokasstroom uit financieringsactiviteiten',
    adjustments: 'Aanpassingen voor',
    beforeWorkingCapital: 'Vóór veranderingen in werkkapitaal',
    workingCapital: 'Veranderingen in werkkapitaal',
    generated: 'Kasstroom uit bedrijfsoperaties',
    interestExpense: 'Rentelasten',
    interestIncome: 'Rentebaten',
    dividendIncome: 'Dividendbaten',
    incomeTax: 'Winstbelasting',
    investingResult: 'Beleggingsopbrengsten en resultaten op verkopen',
    financingResult: 'Overige financieringsresultaten',
    investingCash: 'Uit beleggingen en verkopen',
    financingCash: 'Uit overige financieringsresultaten',
    exchangeInProfit: 'Koersverschillen op geldmiddelen',
    inProfitWithoutCash: 'Overige baten en lasten zonder kasstroom',
    besideProfit: 'Overige baten en lasten',
    interestPaid: 'Betaalde rente',
    interestReceived: 'Ontvangen rente',
    dividendsPaid: 'Betaalde dividenden',
    dividendsReceived: 'Ontvangen dividenden',
    incomeTaxPaid: 'Betaalde winstbelasting',
    overdrafts: 'Rekening-courantkredieten',
    opening: 'Geldmiddelen en kasequivalenten aan het begin',
    netChange: 'Nettomutatie geldmiddelen en kasequivalenten',
    exchange: 'Effect van wisselkoersen',
    closing: 'Geldmiddelen en kasequivalenten aan het einde',
    additions: (caption) => `${caption}, investeringen`,
    disposals: (caption) => `${caption}, desinvesteringen`,
    charge: (caption) => `${caption}, afschrijvingen`,
    proceeds: (caption) => `${caption}, ontvangsten`,
    repayments: (caption) => `${caption}, betalingen`,
  },
  es: {
    title: 'Estado de flujos de efectivo',
    operating: 'Actividades de operación',
    investing: 'Actividades de inversión',
    financing: 'Actividades de financiación',
    netOperating: 'Efectivo neto por actividades de operación',
    netInvesting: 'Efectivo neto por actividades de inversión',
    netFinancing: 'Efectivo neto por actividades de financiación',
    adjustments: 'Ajustes por',
    beforeWorkingCapital: 'Antes de cambios en el capital de trabajo',
    workingCapital: 'Cambios en el capital de trabajo',
    generated: 'Efectivo generado por las operaciones',
    interestExpense: 'Gastos por intereses',
    interestIncome: 'Ingresos por intereses',
    dividendIncome: 'Ingresos por dividendos',
    incomeTax: 'Impuesto a las ganancias',
    investingResult: 'Ingresos de inversiones y resultados por ventas',
    financingResult: 'Otros resultados de financiación',
    investingCash: 'De inversiones y ventas',
    financingCash: 'De otros resultados de financiación',
    exchangeInProfit: 'Diferencias de cambio en el efectivo',
    inProfitWithoutCash: 'Otros ingresos y gastos sin efectivo',
    besideProfit: 'Otros ingresos y gastos',
    interestPaid: 'Intereses pagados',
    interestReceived: 'Intereses cobrados',
    dividendsPaid: 'Dividendos pagados',
    dividendsReceived: 'Dividendos cobrados',
    incomeTaxPaid: 'Impuestos a las ganancias pagados',
    overdrafts: 'Sobregiros bancarios',
    opening: 'Efectivo y equivalentes al efectivo al principio',
    netChange: 'Variación neta de efectivo y equivalentes al efectivo',
    exchange: 'Efecto de las variaciones de cambio',
    closing: 'Efectivo y equivalentes al efectivo al final',
    additions: (caption) => `${caption}, adquisiciones`,
    disposals: (caption) => `${caption}, ventas`,
    charge: (caption) => `${caption}, depreciación`,
    proceeds: (caption) => `${caption}, cobros`,
    repayments: (caption) => `${caption}, pagos`,
  },
  nb: {
    title: 'Kontantstrømoppstilling',
    operating: 'Operasjonelle aktiviteter',
    investing: 'Investeringsaktiviteter',
    financing: 'Finansieringsaktiviteter',
    netOperating: 'Netto kontantstrøm fra operasjonelle aktiviteter',
    netInvesting: 'Netto kontantstrøm fra investeringsaktiviteter',
    netFinancing: 'Netto kontantstrøm fra finansieringsaktiviteter',
    adjustments: 'Justeringer for',
    beforeWorkingCapital: 'Før endringer i arbeidskapital',
    workingCapital: 'Endringer i arbeidskapital',
    generated: 'Kontantstrøm fra driften',
    interestExpense: 'Rentekostnader',
    interestIncome: 'Renteinntekter',
    dividendIncome: 'Utbytteinntekter',
    incomeTax: 'Skattekostnad',
    investingResult: 'Investeringsinntekter og resultat ved avhending',
    financingResult: 'Andre finansieringsresultater',
    investingCash: 'Fra investeringer og avhending',
    financingCash: 'Fra andre finansieringsresultater',
    exchangeInProfit: 'Valutadifferanser på kontanter',
    inProfitWithoutCash: 'Andre inntekter og kostnader uten kontanteffekt',
    besideProfit: 'Andre inntekter og kostnader',
    interestPaid: 'Betalte renter',
    interestReceived: 'Mottatte renter',
    dividendsPaid: 'Betalt utbytte',
    dividendsReceived: 'Mottatt utbytte',
    incomeTaxPaid: 'Betalt skatt',
    overdrafts: 'Kassekreditt',
    opening: 'Kontanter og kontantekvivalenter ved begynnelsen',
    netChange: 'Netto endring i kontanter og kontantekvivalenter',
    exchange: 'Virkning av valutakurser',
    closing: 'Kontanter og kontantekvivalenter ved slutten',
    additions: (caption) => `${caption}, tilganger`,
    disposals: (caption) => `${caption}, avganger`,
    charge: (caption) => `${caption}, avskrivninger`,
    proceeds: (caption) => `${caption}, innbetalinger`,
    repayments: (caption) => `${caption}, utbetalinger`,
  },
};
