/** A small drawing of where to look at a part and what to do there; 240 × 116. */
interface HelpDrawing {
  /** Outlines. */
  readonly ink: string;
  /** What the current runs in. */
  readonly copper?: string;
  /** What is done: the leads of a meter, a move of the hand. */
  readonly act?: string;
  /** Where to look. */
  readonly ring?: readonly [x: number, y: number, r: number];
  readonly words?: readonly (readonly [x: number, y: number, text: string])[];
}

const box = (x: number, y: number, w: number, h: number) => `M${x} ${y}h${w}v${h}h${-w}Z`;
const circle = (x: number, y: number, r: number) => `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`; // prettier-ignore
/** A line with a head at its end; the head is turned along the line. */
function arrow(x: number, y: number, toX: number, toY: number): string {
  const turn = Math.atan2(toY - y, toX - x);
  const barb = (by: number) =>
    `${Math.round(toX - 9 * Math.cos(turn + by))} ${Math.round(toY - 9 * Math.sin(turn + by))}`;
  return `M${x} ${y}L${toX} ${toY}M${barb(0.5)}L${toX} ${toY}L${barb(-0.5)}`;
}
const lines = (x: number, y: number, w: number, n: number) =>
  Array.from({ length: n }, (_, i) => `M${x} ${y + i * 9}h${i % 2 === 0 ? w : w * 0.7}`).join('');
/** A breaker's body with its handle towards the bus at its left, or away from it. */
const breaker = (x: number, y: number, on = false) => `${box(x, y, 60, 26)}${box(x + (on ? 14 : 30), y + 7, 18, 12)}`;
/** A round face with four slots or pins. */
const face = (x: number, y: number, r = 26) =>
  `${circle(x, y, r)}M${x - 10} ${y - 11}v9M${x + 10} ${y - 11}v9M${x - 10} ${y + 5}v9h5M${x + 9} ${y + 9}a3 3 0 1 0 1 0`;
const METER = `${box(186, 8, 46, 56)}${box(192, 14, 34, 16)}${circle(209, 47, 9)}`;
/** Both leads of a meter at the upper right. */
const leads = (x: number, y: number, x2: number, y2: number) => `M200 64C200 90 ${x + 30} ${y + 20} ${x} ${y}M218 64C222 104 ${x2 + 40} ${y2 + 10} ${x2} ${y2}`; // prettier-ignore
const HOUSE = 'M10 108V56L46 30L82 56V108ZM54 66h18v18h-18Z';
const ENGINE = (x: number, y: number) => `${box(x, y, 52, 34)}${circle(x + 10, y + 40, 6)}M${x + 42} ${y + 34}v12`;
const EARTH = (x: number, y: number) =>
  `M${x} ${y - 14}V${y}M${x - 14} ${y}h28M${x - 9} ${y + 5}h18M${x - 4} ${y + 10}h8`;
const SCREW = (x: number, y: number) => `${circle(x, y, 7)}M${x - 5} ${y}h10`;
/** A jaw around a wire. */
const clamp = (x: number, y: number) => `M${x - 6} ${y + 16}C${x - 28} ${y - 24} ${x + 28} ${y - 24} ${x + 6} ${y + 16}${box(x - 14, y + 16, 28, 34)}`; // prettier-ignore
/** A panel with its two rows of handles. */
const PANEL = `${box(20, 4, 96, 108)}${[0, 1, 2, 3].map((i) => box(28, 34 + i * 18, 32, 13) + box(76, 34 + i * 18, 32, 13)).join('')}${box(48, 10, 40, 16)}`; // prettier-ignore
const BUS = 'M64 26V108M72 26V108';
/** Two handles above each other, and what slides between them. */
const HANDLES = `${breaker(30, 8)}${breaker(30, 80)}`;

/** By the part's id. */
export const HELP: Readonly<Record<string, HelpDrawing>> = {
  'source/nameplate': { ink: `${box(14, 8, 130, 78)}${circle(36, 98, 10)}M120 86v20${box(42, 24, 74, 46)}${lines(50, 36, 56, 4)}`, ring: [79, 47, 45], words: [[152, 40, 'volts, watts,'], [152, 56, 'neutral']] },
  'source/outlet': { ink: `${box(10, 6, 140, 104)}${face(56, 58, 32)}${box(104, 40, 28, 38)}M112 59h12`, copper: 'M88 58h16', ring: [56, 58, 40], words: [[158, 54, 'its face, and'], [158, 70, 'what feeds it']] },
  'source/receptacles': { ink: `${box(14, 14, 60, 88)}${box(92, 14, 60, 88)}${[30, 74].map((y) => `M36 ${y}v12M52 ${y}v12M114 ${y}v12M130 ${y}v12`).join('')}${box(112, 52, 9, 10)}${box(124, 52, 9, 10)}`, ring: [122, 57, 17], words: [[160, 50, 'test button'], [160, 66, 'on each?']] },
  'source/bond': { ink: `${box(10, 8, 120, 100)}${METER}${SCREW(112, 92)}`, copper: 'M24 40h60M60 40v30M60 84v10', act: leads(84, 40, 112, 92), ring: [60, 76, 14], words: [[20, 32, 'neutral'], [20, 104, 'frame']] },
  'source/site': { ink: `M6 104L52 40L78 74L104 22L156 104Z${box(196, 14, 14, 70)}${circle(203, 94, 14)}`, act: arrow(170, 104, 170, 22), copper: 'M203 94V48', words: [[146, 18, 'ft'], [218, 34, '°F']] },
  'source/units': { ink: `${ENGINE(14, 30)}${ENGINE(110, 30)}`, copper: 'M66 46h44', ring: [88, 46, 18], words: [[172, 44, 'cable of'], [172, 60, 'the maker']] },

  'siting/place': { ink: `${HOUSE}${ENGINE(176, 62)}`, act: `${arrow(140, 76, 76, 76)}${arrow(120, 76, 172, 76)}`, words: [[112, 68, 'ft']], ring: [63, 75, 18] },
  'siting/exhaust': { ink: `${HOUSE}${ENGINE(120, 62)}`, act: `${arrow(174, 72, 206, 62)}${arrow(174, 80, 210, 80)}${arrow(174, 88, 206, 98)}`, words: [[118, 50, 'away from openings']] },
  'siting/alarms': { ink: `M6 16H234${circle(110, 34, 20)}${circle(110, 34, 5)}M96 56l-8 12M110 60v14M124 56l8 12`, act: arrow(170, 90, 120, 42), words: [[150, 104, 'press to test']] },
  'siting/gas': { ink: `M6 60H96M6 72H96${box(96, 52, 28, 28)}M110 52V38M98 38h24M124 60h34M124 72h34${ENGINE(158, 44)}`, ring: [110, 60, 26], words: [[82, 108, 'valve, union, sediment trap']] },
  'siting/around': { ink: `${ENGINE(94, 52)}M10 100H230M40 24L120 8L200 24${box(20, 74, 24, 26)}`, act: arrow(86, 86, 48, 86), words: [[150, 40, 'open all round'], [8, 66, 'fuel']] },

  'cord/plug': { ink: `${face(60, 58, 34)}M120 44h40v28h-40ZM160 52h74M160 64h74M106 50h14M106 66h14`, ring: [60, 58, 42], words: [[120, 96, 'the letters on its face']] },
  'cord/connector': { ink: `${face(170, 58, 34)}M110 44H70v28h40ZM70 52H0M70 64H0`, ring: [170, 58, 42], words: [[20, 96, 'connector or plug?']] },
  'cord/jacket': { ink: `M0 40H240M0 76H240`, words: [[34, 63, '10/4  STW  90 °C  600 V']], ring: [104, 58, 34] },
  'cord/length': { ink: `M14 60C60 10 90 110 130 56S200 20 226 66`, act: `M14 98H226M14 92v12M226 92v12`, words: [[112, 90, 'ft']] },
  'cord/bridge': { ink: `${face(70, 58, 36)}${METER}`, act: leads(62, 50, 80, 50), words: [[128, 96, 'hot to hot: open']] },
  'cord/pull': { ink: `${box(20, 40, 56, 40)}M76 52H210M76 68H210M20 50H8M20 70H8`, act: arrow(140, 60, 196, 60), ring: [78, 60, 20], words: [[100, 98, 'the jacket stays in']] },
  'cord/so': { ink: `${HOUSE}M82 96C130 96 140 104 176 100${ENGINE(176, 56)}`, ring: [82, 96, 14], words: [[96, 40, 'through no door,'], [96, 56, 'laid out']] },

  'inlet/face': { ink: `${box(24, 10, 92, 96)}${face(70, 58, 34)}`, ring: [70, 58, 42], words: [[130, 54, 'pins stand'], [130, 70, 'out at you']] },
  'inlet/box': { ink: `${box(50, 42, 70, 66)}M50 42L74 8H144L120 42${circle(85, 76, 20)}M85 96v20`, ring: [97, 26, 24], words: [[150, 40, 'lid over the'], [150, 56, 'plug?']] },
  'inlet/dead': { ink: `${face(60, 58, 34)}M96 60L196 96L200 86L102 50Z`, act: 'M86 50l-6 -5M86 62h-8', ring: [72, 52, 14], words: [[110, 30, 'detector, tried on'], [110, 46, 'a live one first']] },
  'inlet/pins': { ink: `${face(60, 58, 34)}${METER}${EARTH(120, 98)}`, act: leads(70, 50, 120, 84), words: [[140, 108, '0 V']] },
  'inlet/sign': { ink: `${box(40, 64, 60, 46)}${circle(70, 87, 14)}${box(26, 8, 96, 40)}${lines(36, 20, 74, 3)}`, ring: [74, 28, 48], words: [[136, 32, 'its very words']] },
  'inlet/so': { ink: `${box(30, 14, 90, 92)}${circle(75, 56, 22)}${circle(44, 94, 6)}${circle(106, 94, 6)}M68 14v-8h14v8`, ring: [106, 94, 12], words: [[134, 40, 'mark, lock,'], [134, 56, 'seal, knockouts']] },

  'feeder/cable': { ink: `M0 38H150M0 78H150`, copper: 'M150 44H226M150 54H236M150 64H230M150 74H222', words: [[16, 63, '10/3 with ground NM-B']] },
  'feeder/place': { ink: `M10 60L70 14L130 60V108H10ZM10 60H130`, copper: 'M130 88H220M30 88H130M30 88V44H110', ring: [70, 44, 16], words: [[150, 78, 'outdoors'], [40, 106, 'wall'], [90, 36, 'attic']] },
  'feeder/length': { ink: `${box(6, 30, 30, 50)}${box(204, 20, 30, 76)}`, copper: 'M36 56H204', act: 'M36 88H204M36 82v12M204 82v12', words: [[112, 80, 'ft']] },
  'feeder/terminals': { ink: `${box(60, 20, 80, 76)}${SCREW(84, 44)}${SCREW(116, 44)}`, copper: 'M84 116V52M116 116V52', ring: [100, 44, 30], words: [[150, 50, 'wire and'], [150, 66, 'temperature']] },
  'feeder/so': { ink: `M0 50H240M0 66H240M50 44v28M190 44v28M44 44h12M184 44h12`, act: 'M50 92H190M50 86v12M190 86v12', ring: [190, 58, 18], words: [[96, 86, 'fastened']] },

  'breaker/face': { ink: `${breaker(50, 26)}${breaker(50, 56)}M98 39v30`, words: [[56, 22, '30'], [124, 50, 'rating, poles,'], [124, 66, 'kA']], ring: [80, 54, 42] },
  'breaker/legs': { ink: `${breaker(88, 26)}${breaker(88, 56)}`, copper: 'M50 4V112M66 4V112M50 39H88M66 69H88', words: [[38, 14, 'A'], [74, 14, 'B'], [158, 58, 'one on each leg']] },
  'breaker/fastener': { ink: `${breaker(60, 40)}M52 30H128V36H52Z${SCREW(60, 33)}${SCREW(120, 33)}`, act: arrow(140, 53, 176, 53), words: [[130, 92, 'it does not pull off']], ring: [90, 33, 22] },
  'breaker/marks': { ink: `${breaker(70, 44)}M40 57H70M130 57H170`, words: [[36, 48, 'LINE'], [138, 48, 'LOAD']], ring: [50, 44, 24] },
  'breaker/stabs': { ink: box(96, 40, 70, 36), copper: 'M40 8V108M40 58H84', ring: [62, 58, 20], words: [[90, 98, 'bright, not burnt']] },
  'breaker/moved': { ink: `${PANEL}`, act: 'M92 40C150 30 150 100 112 95M118 88L111 95L120 100', words: [[150, 60, 'what stood'], [150, 76, 'here before?']], ring: [92, 40, 18] },
  'breaker/fault': { ink: `${circle(40, 58, 24)}${breaker(140, 45)}`, copper: 'M64 58H140', act: 'M96 34L88 56H104L94 80', words: [[30, 62, 'kA'], [128, 98, 'stands that much?']] },

  'transfer/kind': { ink: `${breaker(10, 18)}${breaker(10, 72)}M70 50h20v16h-20Z${box(104, 12, 52, 92)}M130 30V86${box(180, 12, 50, 92)}${[0, 1, 2].map((i) => box(190, 22 + i * 26, 30, 16)).join('')}` },
  'transfer/mechanism': { ink: `${HANDLES}M80 46h40v26h-40Z`, ring: [100, 59, 26], words: [[136, 54, 'plate, link'], [136, 70, 'or lever']] },
  'transfer/hand': { ink: `${HANDLES}M80 46h40v26h-40Z`, act: `${arrow(132, 59, 168, 59)}${arrow(100, 40, 100, 24)}${arrow(100, 78, 100, 96)}`, words: [[176, 64, 'pull, slide']] },
  'transfer/edges': { ink: `M40 20H160V98H120L104 84H40Z${circle(60, 38, 6)}M140 38l10 8M150 38l-10 8`, ring: [112, 90, 22], words: [[170, 60, 'filed, bent,'], [170, 76, 'drilled?']] },
  'transfer/label': { ink: `${box(30, 14, 120, 88)}${lines(42, 32, 94, 7)}`, ring: [90, 56, 46], words: [[164, 54, 'listed as,'], [164, 70, 'A and V']] },
  'transfer/torque': { ink: `${SCREW(70, 60)}M77 57h54v6h-54Z${box(131, 50, 70, 20)}`, copper: 'M6 60H62', act: 'M96 34A34 34 0 0 1 96 86M90 84l6 3l3 -7', words: [[132, 96, 'lb-in, till it clicks']] },
  'transfer/outlets': { ink: `${box(20, 22, 46, 72)}${face(43, 58, 16)}M92 48h30v20h-30ZM80 52h12M80 64h12M122 58h60${ENGINE(182, 40)}`, act: 'M72 30L170 90M170 30L72 90', ring: [82, 58, 24] },
  'transfer/service': { ink: `${circle(36, 44, 24)}${box(90, 20, 60, 80)}${box(180, 20, 50, 80)}`, copper: 'M60 44H90M150 58H180', ring: [120, 60, 40], words: [[28, 48, 'kWh']] },
  'transfer/load': { ink: `${box(20, 16, 60, 84)}${[0, 1, 2].map((i) => box(130, 14 + i * 32, 50, 22)).join('')}`, copper: 'M80 58H108M108 25V90M108 25H130M108 58H130M108 90H130', ring: [104, 58, 20], words: [[166, 110, 'all at once?']] },
  'transfer/neutral': { ink: `${box(84, 14, 72, 88)}`, copper: 'M10 40H84M156 40H230M84 40L150 24', ring: [84, 40, 16], words: [[10, 32, 'neutral'], [96, 90, 'through, or cut?']] },
  'transfer/space': { ink: `${box(20, 8, 50, 70)}M10 108H234`, act: `${arrow(110, 90, 72, 90)}${arrow(130, 90, 180, 90)}`, words: [[104, 80, '36 in']], ring: [130, 90, 10] },
  'transfer/gutter': { ink: `${box(50, 12, 92, 92)}${[0, 1, 2].map((i) => circle(70 + i * 24, 84, 9) + circle(82 + i * 20, 62, 9)).join('')}`, words: [[154, 54, 'how much of'], [154, 70, 'it is filled?']] },
  'transfer/box': { ink: `${box(40, 14, 100, 88)}M76 44l10 -16l10 16ZM104 44l10 -16l10 16Z`, copper: 'M20 58H70L84 44M20 76H100L112 44', ring: [98, 38, 28], words: [[152, 54, 'count wires'], [152, 70, 'and devices']] },
  'transfer/so': { ink: `${box(30, 14, 100, 88)}${SCREW(54, 40)}${SCREW(84, 40)}${lines(44, 70, 70, 3)}`, copper: 'M54 112V48M84 112V48', ring: [78, 78, 26], words: [[142, 58, 'its list names'], [142, 74, 'this panel']] },

  'neutral/pole': { ink: `${box(70, 8, 100, 100)}`, copper: 'M10 34H92L118 22M130 34H230M10 84H230', ring: [106, 30, 22], words: [[78, 76, 'neutral: opens too?']] },
  'neutral/other': { ink: `${box(14, 20, 60, 76)}${box(166, 20, 60, 76)}`, copper: 'M30 40H210M44 40V62M44 74V84M196 40V84', act: 'M30 84H210', ring: [120, 62, 24], words: [[92, 66, 'one more?']] },
  'neutral/current': { ink: clamp(120, 46), copper: 'M10 46H230', words: [[20, 36, 'neutral'], [150, 86, 'A']], ring: [120, 46, 30] },

  'grounding/path': { ink: `${box(8, 40, 54, 50)}${box(112, 30, 50, 70)}${METER}`, copper: 'M62 78H112', act: leads(154, 60, 34, 52), words: [[12, 34, 'frame'], [114, 24, 'panel']] },
  'grounding/rod': { ink: `${ENGINE(80, 20)}M10 84H230`, copper: 'M132 40H170V112', ring: [170, 84, 18], words: [[182, 106, 'beside it']] },
  'grounding/electrode': { ink: `${box(60, 10, 60, 50)}M10 84H230`, copper: 'M90 60V112M90 72H170V112', ring: [130, 72, 18], words: [[182, 76, 'AWG']] },

  'panel/space': { ink: `${box(60, 6, 60, 56)}M10 108H230`, act: `${arrow(90, 84, 62, 84)}${arrow(96, 84, 118, 84)}${arrow(140, 60, 140, 106)}${arrow(140, 54, 140, 8)}`, words: [[76, 78, '30 in'], [150, 62, '6½ ft'], [150, 80, '36 in deep']] },
  'panel/bus': { ink: PANEL, copper: BUS, ring: [68, 18, 28], words: [[132, 24, 'handle of the main'], [132, 60, 'bus: the label']] },
  'panel/bars': { ink: `${PANEL}${box(120, 40, 12, 60)}${SCREW(126, 52)}${SCREW(126, 70)}`, copper: 'M126 100V112M108 76H120', ring: [126, 70, 34], words: [[166, 66, 'neutrals,'], [166, 82, 'grounds']] },
  'panel/sources': { ink: `${PANEL}${box(150, 20, 72, 40)}M168 20v40M186 20v40M204 20v40M150 40h72`, copper: 'M186 60V86H108', ring: [100, 88, 16], words: [[130, 106, 'any other source?']] },
  'panel/directory': { ink: `${box(16, 8, 70, 100)}${lines(26, 26, 50, 9)}${box(120, 8, 70, 100)}${breaker(126, 30)}${breaker(126, 62)}`, act: arrow(84, 44, 122, 44), ring: [156, 43, 22] },
  'panel/so': { ink: `${box(30, 8, 100, 100)}${SCREW(42, 20)}${SCREW(118, 20)}${SCREW(42, 96)}${SCREW(118, 96)}${box(60, 34, 40, 14)}${box(60, 56, 40, 14)}`, ring: [80, 63, 24], words: [[142, 54, 'no open slot,'], [142, 70, 'all its screws']] },

  'labels/so': { ink: `${box(40, 6, 80, 104)}M40 6L10 18V116L40 110${lines(16, 50, 18, 3)}${box(54, 22, 52, 22)}${box(54, 56, 52, 12)}${box(54, 78, 52, 12)}`, ring: [25, 60, 22], words: [[134, 54, 'what each sign'], [134, 70, 'must say']] },

  'loads/slot': { ink: PANEL, copper: BUS, ring: [92, 58, 18], words: [[132, 62, 'its number']] },
  'loads/use': { ink: `${breaker(20, 44)}${box(140, 20, 50, 78)}M140 48h50M182 30v10M182 56v12`, copper: 'M80 57H140', ring: [165, 58, 46] },
  'loads/handle': { ink: `${breaker(60, 44)}`, copper: 'M120 57H200M20 57H60', words: [[70, 40, '20 A'], [146, 48, '12 AWG']], ring: [90, 57, 36] },
  'loads/neutral': { ink: `${breaker(10, 14)}${breaker(10, 44)}M120 20H200M120 50H200M120 84H200`, copper: 'M70 27L120 20M70 57L120 50', act: 'M120 84C90 84 90 100 60 104', ring: [160, 84, 18], words: [[178, 78, 'one white']] },
  'loads/others': { ink: `${PANEL}`, act: `${arrow(140, 60, 112, 60)}`, words: [[146, 64, 'stay open']], ring: [92, 58, 14] },

  'function/moves': { ink: `${HANDLES}M80 46h40v26h-40Z`, act: arrow(76, 93, 40, 93), words: [[136, 58, 'try it: blocked,'], [136, 74, 'or does it close?']] },
  'function/legs': { ink: `${METER}${box(30, 20, 80, 76)}${SCREW(50, 44)}${SCREW(90, 44)}${SCREW(70, 78)}`, act: leads(90, 44, 70, 78), words: [[44, 34, 'A'], [84, 34, 'B'], [66, 112, 'neutral']] },
  'function/ground': { ink: clamp(120, 46), act: 'M10 46H230', words: [[20, 36, 'ground'], [150, 86, '0 A']], ring: [120, 46, 30] },
  'function/gfci': { ink: `${box(50, 8, 70, 100)}M72 26v12M98 26v12M72 80v12M98 80v12${box(64, 48, 18, 14)}${box(88, 48, 18, 14)}`, act: arrow(170, 90, 78, 60), words: [[140, 108, 'press: it opens']] },
  'function/drill': { ink: `${circle(40, 30, 14)}M40 44V84M40 56L74 66M40 56L18 74M40 84L26 112M40 84L54 112${box(90, 20, 60, 90)}${box(104, 40, 32, 14)}${box(104, 70, 32, 14)}`, act: arrow(74, 66, 102, 50), words: [[160, 60, 'they do it,'], [160, 76, 'you look on']] },
}; // prettier-ignore
