import { createElement, useEffect, useRef } from 'react';
import { View } from 'react-native';
import SignaturePad from 'signature_pad';
import { Plate } from '../plates/plate';
import { usePalette } from '../theme/theme';

/** Box in which a signature's path is kept, whatever the size of the screen it was drawn on. */
export const SIGNATURE_BOX = { width: 320, height: 120 } as const;

/** Drawn lines as an SVG path in the signature box. */
export function pathOf(
  lines: readonly { points: readonly { x: number; y: number }[] }[],
  drawn: { width: number; height: number },
): string {
  const scale = Math.min(SIGNATURE_BOX.width / drawn.width, SIGNATURE_BOX.height / drawn.height);
  const at = ({ x, y }: { x: number; y: number }) => `${(x * scale).toFixed(1)} ${(y * scale).toFixed(1)}`;
  return lines
    .filter((line) => line.points.length > 0)
    .map(
      ({ points: [first, ...rest] }) =>
        `M${at(first!)}${(rest.length > 0 ? rest : [first!]).map((point) => `L${at(point)}`).join('')}`,
    )
    .join('');
}

/** A place to sign with a finger. */
export function Signature({ onChange }: { onChange: (path: string) => void }) {
  const palette = usePalette();
  const canvas = useRef<HTMLCanvasElement>(null);
  const pad = useRef<SignaturePad>(null);
  useEffect(() => {
    const element = canvas.current!;
    const ratio = window.devicePixelRatio || 1;
    element.width = element.clientWidth * ratio;
    element.height = element.clientHeight * ratio;
    element.getContext('2d')!.scale(ratio, ratio);
    const drawn = new SignaturePad(element, { penColor: palette.ink, minWidth: 1.2, maxWidth: 2.6 });
    const tell = () => onChange(pathOf(drawn.toData(), { width: element.clientWidth, height: element.clientHeight }));
    drawn.addEventListener('endStroke', tell);
    pad.current = drawn;
    return () => drawn.off();
  }, [onChange, palette.ink]);
  return (
    <View style={{ gap: 8 }}>
      <View style={{ height: 130, borderWidth: 1, borderColor: palette.quiet, backgroundColor: palette.sheet }}>
        {createElement('canvas', {
          ref: canvas,
          'aria-label': 'Sign here with a finger',
          'data-testid': 'signature',
          style: { width: '100%', height: '100%', touchAction: 'none' },
        })}
      </View>
      <View style={{ flexDirection: 'row' }}>
        <Plate
          role="button"
          quiet
          label="Wipe"
          onPress={() => {
            pad.current?.clear();
            onChange('');
          }}
        />
      </View>
    </View>
  );
}
