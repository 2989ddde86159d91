import type { ReactNode } from 'react';
import { Circle, G, Path, Text as SvgText } from 'react-native-svg';
import type { Case, Station } from '@careful-latch/core/case';
import { TEXT_FONT, usePalette } from '../theme/theme';
import type { Palette } from '../theme/palette';
import { WIDTH, type Place } from './spot';

/** Where the parts of a station hang, and what is drawn behind them. */
interface Scene {
  readonly height: number;
  readonly places: Readonly<Record<string, Place>>;
  readonly behind?: (palette: Palette, site: Case) => ReactNode;
}

const words = (palette: Palette, x: number, y: number, text: string, anchor: 'start' | 'middle' | 'end' = 'middle') => (
  <SvgText x={x} y={y} fontFamily={TEXT_FONT} fontSize={14} fill={palette.quiet} textAnchor={anchor}>
    {text}
  </SvgText>
);
/** The current's line, from edge to edge behind the parts. */
const copper = (palette: Palette, d: string) => <Path d={d} fill="none" stroke={palette.copper} strokeWidth={6} />;
const earth = (palette: Palette, x: number, y: number) => (
  <Path
    d={`M${x} ${y - 12}V${y}M${x - 14} ${y}H${x + 14}M${x - 9} ${y + 5}H${x + 9}M${x - 4} ${y + 10}H${x + 4}`}
    stroke={palette.quiet}
    strokeWidth={2}
    fill="none"
  />
);

/** A generator's frame on its wheels, or a battery in two halves. */
function sourceBehind(palette: Palette, site: Case): ReactNode {
  const battery = site.source?.kind === 'power-station';
  return (
    <G fill="none" stroke={palette.quiet} strokeWidth={1.5}>
      <Path d="M4 4H346L354 12V250H4Z" fill={palette.paper} strokeWidth={battery ? 4 : 3} />
      {battery ? (
        <Path d="M174 12V242M150 4V-2M200 4V-2" strokeDasharray="4 4" />
      ) : (
        <>
          <Path d="M4 70H-4M4 190H-4M354 70H362M354 190H362" strokeWidth={6} />
          <Circle cx={60} cy={262} r={14} strokeWidth={3} />
          <Path d="M280 250V272M300 250V272" strokeWidth={4} />
        </>
      )}
      {copper(palette, 'M264 116V274')}
    </G>
  );
}

/** The same line through every part of the row, its ends standing out. */
const rowBehind =
  (y: number) =>
  (palette: Palette): ReactNode => <G>{copper(palette, `M0 ${y}H${WIDTH}`)}</G>;

/** The inlet's box on the wall, its lid up, the cord coming from below. */
function inletBehind(palette: Palette): ReactNode {
  return (
    <G fill="none" stroke={palette.quiet}>
      <Path d="M0 8H358M0 268H358" strokeWidth={1} strokeDasharray="18 6" />
      <Path d="M6 24H176V250H6Z" fill={palette.paper} strokeWidth={2.5} />
      <Path d="M6 24L24 8H194L176 24" strokeWidth={1.5} />
      {copper(palette, 'M90 250V290M176 60H358')}
    </G>
  );
}

/** Source and house with neutral above and ground below; where they may meet. */
function neutralBehind(palette: Palette, site: Case): ReactNode {
  const bonded = site.source?.neutralBond === 'bonded';
  const switched = site.neutral?.switched;
  const wrong = (bonded && switched === 'no') || (site.source?.neutralBond === 'floating' && switched === 'yes');
  const bond = (x: number, tied: boolean | undefined) =>
    tied === undefined ? (
      <Path d={`M${x} 42V132`} stroke={palette.unproven} strokeWidth={3} strokeDasharray="5 6" />
    ) : tied ? (
      <Path d={`M${x} 42V132`} stroke={wrong ? palette.violation : palette.copper} strokeWidth={6} />
    ) : (
      <Path d={`M${x} 42V68M${x} 106V132`} stroke={palette.ink} strokeWidth={4} />
    );
  const known = site.source?.neutralBond === undefined || site.source.neutralBond === 'not-seen' ? undefined : bonded;
  return (
    <G fill="none">
      <Path d="M6 22H92V156H6ZM266 22H352V156H266Z" stroke={palette.quiet} strokeWidth={1.5} />
      {words(palette, 49, 16, 'source')}
      {words(palette, 309, 16, 'service')}
      {copper(palette, switched === 'yes' ? 'M34 42H160M196 42H324M160 42L192 26' : 'M34 42H324')}
      <Path d="M34 132H324" stroke={palette.quiet} strokeWidth={6} />
      {bond(34, known)}
      {bond(324, true)}
      {words(palette, 136, 36, 'neutral')}
      {words(palette, 179, 152, 'equipment ground')}
      {earth(palette, 324, 168)}
    </G>
  );
}

/** Frame, cord, feeder and panel as one path of ground; the rod beside it as an extra. */
function groundingBehind(palette: Palette, site: Case): ReactNode {
  const ohm = site.grounding?.frameToPanelOhm;
  const open = typeof ohm === 'number' && ohm > 1;
  const rod = site.grounding?.rod;
  return (
    <G fill="none">
      <Path d="M8 26H84V104H8ZM274 26H350V104H274Z" stroke={palette.quiet} strokeWidth={2} />
      {words(palette, 46, 20, 'frame')}
      {words(palette, 312, 20, 'panel')}
      <Path
        d={open ? 'M84 66H160M198 66H274M160 66L170 58M198 66L188 74' : 'M84 66H274'}
        stroke={ohm === undefined || ohm === 'not-seen' ? palette.unproven : open ? palette.violation : palette.copper}
        strokeDasharray={ohm === undefined || ohm === 'not-seen' ? '7 6' : undefined}
        strokeWidth={6}
      />
      {(rod === 'auxiliary' || rod === 'only-path') && <Path d="M46 104V150" stroke={palette.quiet} strokeWidth={4} />}
      {(rod === 'auxiliary' || rod === 'only-path') && earth(palette, 46, 150)}
      {earth(palette, 312, 118)}
    </G>
  );
}

/** The panel's door, standing open, with its signs. */
function labelsBehind(palette: Palette): ReactNode {
  return (
    <G fill="none" stroke={palette.quiet}>
      <Path d="M120 6H238V150H120Z" strokeWidth={2.5} fill={palette.paper} />
      <Path d="M120 6L70 22V166L120 150" strokeWidth={1.5} />
      <Path d="M84 44L112 36M84 62L112 54M84 80L112 72M84 98L112 90" strokeWidth={1.5} />
      {[30, 52, 74, 96, 118].map((y) => (
        <Path key={y} d={`M134 ${y}H172V${y + 14}H134ZM186 ${y}H224V${y + 14}H186Z`} strokeWidth={1.5} />
      ))}
    </G>
  );
}

/** The open panel: main on top, the bus between two rows of handles, bars on both sides. */
function panelBehind(palette: Palette): ReactNode {
  return (
    <G fill="none" stroke={palette.quiet}>
      <Path d="M4 4H345L354 13V286H4Z" strokeWidth={2.5} />
      <Path d="M172 78V280M186 78V280" stroke={palette.copper} strokeWidth={4} />
      <Path d="M12 276H346" strokeWidth={1} strokeDasharray="3 5" />
    </G>
  );
}

/** Two breakers on their bus, the generator's below, and the equipment between them. */
const handlesBehind =
  (x: number) =>
  (palette: Palette): ReactNode => <G>{copper(palette, `M${x} 0V300`)}</G>;

export const SCENES: Readonly<Record<Exclude<Station, 'loads' | 'function'>, Scene>> = {
  panel: {
    height: 292,
    behind: panelBehind,
    places: {
      'panel/bus': [12, 12, 334, 52],
      'panel/bars': [12, 76, 152, 58],
      'panel/sources': [194, 76, 152, 58],
      'panel/so': [12, 146, 152, 58],
      'panel/directory': [194, 146, 152, 58],
      'panel/space': [12, 216, 334, 52],
    },
  },
  breaker: {
    height: 262,
    behind: handlesBehind(20),
    places: {
      'breaker/face': [8, 10, 342, 62],
      'breaker/legs': [8, 84, 166, 50],
      'breaker/fastener': [184, 84, 166, 50],
      'breaker/marks': [8, 146, 166, 50],
      'breaker/moved': [184, 146, 166, 50],
      'breaker/fault': [8, 208, 166, 48],
    },
  },
  transfer: {
    height: 372,
    places: {
      'transfer/kind': [186, 6, 164, 48],
      'transfer/mechanism': [186, 60, 164, 62],
      'transfer/hand': [186, 126, 164, 52],
      'transfer/edges': [8, 190, 166, 48],
      'transfer/label': [184, 190, 166, 48],
      'transfer/torque': [8, 246, 166, 48],
      'transfer/outlets': [184, 246, 166, 48],
      'transfer/so': [8, 302, 166, 48],
      'transfer/service': [184, 302, 166, 48],
    },
  },
  source: {
    height: 280,
    behind: sourceBehind,
    places: {
      'source/nameplate': [14, 16, 160, 62],
      'source/site': [14, 90, 160, 62],
      'source/bond': [14, 164, 160, 74],
      'source/outlet': [186, 16, 158, 100],
      'source/receptacles': [186, 128, 158, 50],
      'source/units': [186, 190, 158, 48],
    },
  },
  siting: {
    height: 382,
    places: {
      'siting/place': [8, 204, 166, 60],
      'siting/exhaust': [184, 204, 166, 60],
      'siting/alarms': [8, 274, 166, 48],
      'siting/around': [184, 274, 166, 48],
      'siting/gas': [8, 330, 166, 48],
    },
  },
  cord: {
    height: 204,
    behind: rowBehind(40),
    places: {
      'cord/plug': [8, 8, 108, 66],
      'cord/jacket': [125, 8, 108, 66],
      'cord/connector': [242, 8, 108, 66],
      'cord/length': [8, 86, 108, 50],
      'cord/bridge': [125, 86, 108, 50],
      'cord/pull': [242, 86, 108, 50],
      'cord/so': [8, 148, 342, 48],
    },
  },
  inlet: {
    height: 292,
    behind: inletBehind,
    places: {
      'inlet/face': [16, 36, 150, 92],
      'inlet/so': [16, 140, 150, 48],
      'inlet/sign': [16, 198, 150, 48],
      'inlet/box': [192, 82, 158, 52],
      'inlet/dead': [192, 146, 158, 52],
      'inlet/pins': [192, 210, 158, 52],
    },
  },
  feeder: {
    height: 212,
    behind: rowBehind(40),
    places: {
      'feeder/cable': [8, 8, 200, 64],
      'feeder/length': [220, 8, 130, 64],
      'feeder/place': [8, 84, 200, 60],
      'feeder/terminals': [220, 84, 130, 60],
      'feeder/so': [8, 156, 342, 48],
    },
  },
  neutral: {
    height: 268,
    behind: neutralBehind,
    places: {
      'neutral/pole': [108, 62, 142, 52],
      'neutral/other': [100, 190, 160, 52],
      'neutral/current': [6, 190, 86, 52],
    },
  },
  grounding: {
    height: 236,
    behind: groundingBehind,
    places: {
      'grounding/path': [100, 84, 158, 52],
      'grounding/rod': [8, 172, 164, 52],
      'grounding/electrode': [186, 172, 164, 52],
    },
  },
  labels: { height: 240, behind: labelsBehind, places: { 'labels/so': [70, 172, 218, 54] } },
};

/** What is drawn behind a station's parts. */
export function Behind({ scene, site }: { scene: Scene; site: Case }) {
  const palette = usePalette();
  return <>{scene.behind?.(palette, site)}</>;
}
