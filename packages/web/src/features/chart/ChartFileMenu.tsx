import ExpandMore from '@mui/icons-material/ExpandMore';
import Button from '@mui/material/Button';
import Divider from '@mui/material/Divider';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { addressOf } from '../../shared/api/requestOf.ts';
import { useCompany } from '../../shared/state/useCompany.ts';

/** The chart taken along, and brought back. */
export function ChartFileMenu({ onLoad }: { onLoad: (() => void) | null }) {
  const company = useCompany();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const close = () => setAnchor(null);
  const file = (kind: 'csv' | 'xlsx' | 'template') => addressOf('exportChart', { companyId: company.id, kind });
  return (
    <>
      <Button endIcon={<ExpandMore />} aria-haspopup="menu" aria-expanded={anchor !== null} onClick={(event) => setAnchor(event.currentTarget)}>
        File
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={close}>
        <MenuItem component="a" href={file('xlsx')} onClick={close}>
          Export as workbook
        </MenuItem>
        <MenuItem component="a" href={file('csv')} onClick={close}>
          Export as CSV
        </MenuItem>
        <MenuItem component="a" href={file('template')} onClick={close}>
          Template to fill in
        </MenuItem>
        <MenuItem
          onClick={() => {
            close();
            // The menu is gone from the page before it is printed.
            setTimeout(() => window.print(), 200);
          }}
        >
          Print…
        </MenuItem>
        {onLoad && <Divider />}
        {onLoad && (
          <MenuItem
            onClick={() => {
              close();
              onLoad();
            }}
          >
            Load a chart file…
          </MenuItem>
        )}
      </Menu>
    </>
  );
}
