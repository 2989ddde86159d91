import { createElement, useEffect, useRef } from 'react';
import { View } from 'react-native';
import SignaturePad from 'signature_pad';
import { Plate } from '../plates/plate';
import { usePalette } from '../theme/theme';
import { pathOf } from './signature-path';

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
