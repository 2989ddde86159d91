import { Image, View } from 'react-native';
import type { Block, Paper } from '@careful-latch/core/papers';
import { PhotoWithMarks } from '../evidence/photo';
import { TEXT_FONT } from '../theme/theme';
import { Words } from '../theme/words';

/** Paper is black on white, by day and by night. */
const INK = '#000000';
const SHEET = '#ffffff';

const SIZES = { big: 40, heading: 19, bold: 19, text: 17, small: 14 } as const;

function Line({ text, kind = 'text' }: { text: string; kind?: keyof typeof SIZES }) {
  const size = SIZES[kind];
  const isBold = kind === 'big' || kind === 'heading' || kind === 'bold';
  return (
    <Words
      color={INK}
      role={kind === 'heading' ? 'heading' : undefined}
      style={{ fontSize: size, lineHeight: size * 1.3, fontWeight: isBold ? '700' : '400' }}
    >
      {text}
    </Words>
  );
}

const Pair = ({ name, value }: { name: string; value: string }) => (
  <View style={{ flexDirection: 'row', gap: 8 }}>
    <Words color={INK} style={{ width: 104, fontSize: 15, lineHeight: 21, fontWeight: '700' }}>
      {name}
    </Words>
    <Words color={INK} style={{ flex: 1, fontSize: 15, lineHeight: 21 }}>
      {value}
    </Words>
  </View>
);

function Shown({ block, inspection, widthPx }: { block: Block; inspection: string; widthPx: number }) {
  switch (block.kind) {
    case 'list':
      return block.items.map((one) => <Line key={one} text={`• ${one}`} />);
    case 'steps':
      return block.items.map((one, i) => <Line key={one} text={`${i + 1}. ${one}`} />);
    case 'pairs':
      return block.rows.map(([name, value]) => <Pair key={name} name={name} value={value} />);
    case 'table':
      return block.rows.map((row) => (
        <View key={row.join()} style={{ borderTopWidth: 1, borderColor: INK, paddingVertical: 4 }}>
          {row.map((cell, i) => (cell === '' ? null : <Pair key={block.head[i]} name={block.head[i]!} value={cell} />))}
        </View>
      ));
    case 'drawing': {
      const [, width, height] = /width="(\d+)" height="(\d+)"/.exec(block.svg)!;
      const svg = block.svg.replaceAll('font-family="Text"', `font-family="${TEXT_FONT}, sans-serif"`);
      return (
        <Image
          source={{ uri: `data:image/svg+xml,${encodeURIComponent(svg)}` }}
          role="img"
          accessibilityLabel={block.says}
          style={{ width: widthPx, height: (widthPx * Number(height)) / Number(width) }}
        />
      );
    }
    case 'photo':
      return (
        <View style={{ gap: 2 }}>
          <PhotoWithMarks inspection={inspection} photo={block.photo} label={block.caption} widthPx={widthPx} />
          <Line kind="small" text={block.caption} />
        </View>
      );
    case 'label':
      return (
        <View>
          <Line kind="small" text={`${block.place}: ${block.sizeIn[0]} × ${block.sizeIn[1]} in`} />
          <View style={{ borderWidth: 1, borderColor: INK, padding: 10, alignItems: 'center' }}>
            {block.words.map((one) => (
              <Line key={one} kind="bold" text={one} />
            ))}
          </View>
        </View>
      );
    case 'ruler':
      return <Line kind="small" text={`A bar of ${block.lengthIn} in is printed here: measure it.`} />;
    default:
      return <Line kind={block.kind} text={block.text} />;
  }
}

/** A paper as it will say it, before it is printed. */
export function PaperView({ paper, inspection, widthPx }: { paper: Paper; inspection: string; widthPx: number }) {
  const inner = widthPx - 32;
  return (
    <View testID="paper" style={{ backgroundColor: SHEET, padding: 16, gap: 6, borderWidth: 1, borderColor: INK }}>
      <Words color={INK} role="heading" style={{ fontSize: 24, lineHeight: 30, fontWeight: '700' }}>
        {paper.title}
      </Words>
      {paper.provisional && <Line kind="bold" text="PROVISIONAL" />}
      {paper.head.map(([name, value]) => (
        <Pair key={name} name={name} value={value} />
      ))}
      <View style={{ height: 1, backgroundColor: INK, marginVertical: 4 }} />
      {paper.blocks.map((block, i) => (
        <Shown key={i} block={block} inspection={inspection} widthPx={inner} />
      ))}
      <Line kind="small" text={paper.foot} />
    </View>
  );
}
