import { Link } from 'react-router';
import { EmptyState } from '../shared/components/EmptyState.tsx';

export function NotFound() {
  return (
    <EmptyState title="There is nothing at this address">
      <Link to="/companies">Go to the companies</Link>
    </EmptyState>
  );
}
