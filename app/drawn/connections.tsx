import type { ReactNode } from 'react';
import Svg, { Path } from 'react-native-svg';
import type { TransferKind } from '@careful-latch/core/case';

/** What hangs between source and house, each as the eye tells it; 64 × 40, lines and filled parts. */
const SHAPES: Readonly<Record<TransferKind, readonly [lines: string, filled: string]>> = {
  'retrofit-interlock': ['M14 2H50V16H14ZM14 24H50V38H14Z', 'M20 6H32V12H20ZM32 28H44V34H32ZM40 11H46V30H40Z'],
  'load-side-switch': [
    'M4 4H60V36H4ZM14 10V30M26 10V30M38 10V30M50 10V30',
    'M10 10H18V16H10ZM22 24H30V30H22ZM34 10H42V16H34ZM46 24H54V30H46Z',
  ],
  'transfer-panel': [
    'M14 2H50V38H14ZM22 22H28M36 22H42M22 27H28M36 27H42M22 32H28M36 32H42',
    'M18 6H30V12H18ZM34 6H46V12H34ZM30 8H34V10H30Z',
  ],
  'whole-house-manual': ['M18 2H46V38H18ZM32 8V32', 'M26 6H38V14H26ZM46 16H56V20H46Z'],
  'whole-house-automatic': ['M10 6H54V34H10ZM26 20H38', 'M14 14H26V26H14ZM38 14H50V26H38Z'],
  'single-circuit-switch': [
    'M8 6H34V34H8ZM46 20m-10 0a10 10 0 1 0 20 0a10 10 0 1 0 -20 0',
    'M16 10H26V18H16ZM44 14H48V18H44ZM41 21H44V25H41ZM48 21H51V25H48Z',
  ],
  'none-cords': ['M4 30C14 30 12 10 22 10S32 30 42 30', 'M42 24H54V36H42ZM54 26H60V28H54ZM54 32H60V34H54Z'],
  'none-backfed': [
    'M4 4H28V36H4ZM40 20H28M40 12H58V28H40ZM46 17V23M52 17V23',
    'M9 9H15V13H9ZM17 9H23V13H17ZM9 17H15V21H9ZM17 17H23V21H17Z',
  ],
  other: ['M14 4H22M28 4H36M42 4H50V12M50 18V24M50 30V36H42M36 36H28M22 36H14V28M14 22V16M14 10V4', ''],
};

/** A connection drawn; in one color, so that it may stand on a plate. */
export function Connection({ kind, color }: { kind: TransferKind; color: string }): ReactNode {
  const [lines, filled] = SHAPES[kind];
  return (
    <Svg width={64} height={40} viewBox="0 0 64 40" aria-hidden>
      <Path d={lines} fill="none" stroke={color} strokeWidth={2} />
      <Path d={filled} fill={color} />
    </Svg>
  );
}
