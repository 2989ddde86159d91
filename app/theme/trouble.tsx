import { usePalette } from './theme';
import { Words } from './words';

/** A sentence why something cannot be. */
export function Trouble({ children }: { children: string | undefined }) {
  const palette = usePalette();
  return children === undefined ? null : (
    <Words role="alert" color={palette.violation} style={{ fontSize: 16, lineHeight: 22 }}>
      {children}
    </Words>
  );
}
