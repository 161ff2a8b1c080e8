import type { AccountPeriods } from '@ivory-ladder/contract';
import { type Currency, formatAmount, monthNames } from '@ivory-ladder/core';
import { useColorScheme } from '@mui/material/styles';
import { BarChart, LineChart } from 'echarts/charts';
import { GridComponent, TooltipComponent } from 'echarts/components';
import { init, use } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { useEffect, useRef } from 'react';
import styles from './AccountPeriods.module.css';

use([BarChart, LineChart, GridComponent, TooltipComponent, CanvasRenderer]);

interface BalanceChartProps {
  readonly periods: AccountPeriods['periods'];
  readonly measure: 'movement' | 'closing';
  readonly sign: 1 | -1;
  readonly currency: Currency;
  readonly isBars: boolean;
}

/** A small picture of an account over all its periods; the table under it says the same in figures. */
export function BalanceChart({ periods, measure, sign, currency, isBars }: BalanceChartProps) {
  const place = useRef<HTMLDivElement>(null);
  const { mode } = useColorScheme();
  // biome-ignore lint/correctness/useExhaustiveDependencies: the colours of the page follow the mode
  useEffect(() => {
    if (!place.current) return;
    const ink = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim();
    const chart = init(place.current);
    const { exponent } = currency;
    chart.setOption({
      animation: false,
      grid: { left: 4, right: 6, top: 8, bottom: 18 },
      tooltip: {
        trigger: 'axis',
        renderMode: 'richText',
        backgroundColor: ink('--ink'),
        textStyle: { color: ink('--sheet'), fontSize: 12, fontFamily: 'IBM Plex Sans' },
        formatter: ([point]: { dataIndex: number }[]) => {
          const period = periods[point?.dataIndex ?? 0];
          if (!period) return '';
          const month = monthNames[Number(period.firstDay.slice(5, 7)) - 1];
          return `${month} ${period.firstDay.slice(0, 4)}: ${formatAmount(BigInt(sign) * BigInt(period[measure]), currency)}`;
        },
      },
      xAxis: {
        type: 'category',
        data: periods.map(({ firstDay }) => firstDay),
        axisTick: { show: false },
        axisLine: { lineStyle: { color: ink('--rule-strong') } },
        axisLabel: {
          color: ink('--ink-second'),
          fontSize: 11,
          fontFamily: 'IBM Plex Sans',
          interval: (index: number) => index === 0 || periods[index]?.year !== periods[index - 1]?.year,
          formatter: (firstDay: string) => firstDay.slice(0, 4),
          align: 'left',
        },
      },
      yAxis: { type: 'value', axisLabel: { show: false }, splitLine: { show: false } },
      series: [
        {
          type: isBars ? 'bar' : 'line',
          // Only the picture is drawn with floats; every figure in words comes from the exact amount.
          data: periods.map((period) => (sign * Number(period[measure])) / 10 ** exponent),
          itemStyle: { color: ink('--sea') },
          lineStyle: { width: 2 },
          areaStyle: isBars ? undefined : { color: ink('--sea-tint') },
          symbol: 'none',
          step: false,
        },
      ],
    });
    const resized = new ResizeObserver(() => chart.resize());
    resized.observe(place.current);
    return () => {
      resized.disconnect();
      chart.dispose();
    };
  }, [periods, measure, sign, currency, isBars, mode]);
  return <div ref={place} className={styles.chart} role="img" aria-label={isBars ? 'Movement by period' : 'Balance by period'} />;
}
