export { HistoryList } from './HistoryList.tsx';
