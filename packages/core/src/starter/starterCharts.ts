import { association } from './association.ts';
import { manufacture } from './manufacture.ts';
import { passengerTransport } from './passengerTransport.ts';
import { professionalPractice } from './professionalPractice.ts';
import type { StarterChart } from './starterChart.ts';
import { trading } from './trading.ts';

/** The charts to begin with, one a trade. */
export const starterCharts: readonly StarterChart[] = [passengerTransport, trading, professionalPractice, manufacture, association];
