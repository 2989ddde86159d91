/** Draws the pictures that stand for photos in the demo, into server/demo/photos: nobody’s house is shown. */
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { chromium as browserType } from '@playwright/test';
import { chromium } from './chromium.mjs';

const SIZE = { width: 960, height: 720 };
const STEEL = '#8d949a';
const DARK = '#2c3338';
const WALL = '#b9ad98';

const rect = (x: number, y: number, w: number, h: number, fill: string, more = '') =>
  `<rect x="${x}" y="${y}" width="${w}" height="${h}" fill="${fill}" ${more}/>`;
const text = (x: number, y: number, size: number, words: string, fill = '#111', more = '') =>
  `<text x="${x}" y="${y}" font-size="${size}" font-family="Atkinson Hyperlegible, sans-serif" fill="${fill}" ${more}>${words}</text>`;
const screw = (x: number, y: number) =>
  `<circle cx="${x}" cy="${y}" r="11" fill="#c9cdd0" stroke="${DARK}" stroke-width="2"/><path d="M${x - 8} ${y - 3}L${x + 8} ${y + 3}" stroke="${DARK}" stroke-width="3"/>`;
/** A wall with light falling on it from one side, as a lamp in the hand gives. */
const wall = (fill: string) =>
  `<defs><radialGradient id="lamp" cx=".45" cy=".42" r=".8"><stop offset="0" stop-color="#fff" stop-opacity=".38"/><stop offset=".6" stop-color="#000" stop-opacity=".08"/><stop offset="1" stop-color="#000" stop-opacity=".62"/></radialGradient></defs>${rect(0, 0, 960, 720, fill)}`;
const lamp = rect(0, 0, 960, 720, 'url(#lamp)');
const breaker = (x: number, y: number, words: string, on = false) =>
  `${rect(x, y, 250, 62, DARK, 'rx="4"')}${rect(x + 90, y + 14, 70, 34, '#0e1113')}${rect(x + (on ? 94 : 126), y + 17, 30, 28, '#e9e4d8')}${text(x + (on ? 130 : 96), y + 41, 26, words, '#e9e4d8')}`;
const panel = (inside: string) =>
  `${wall(WALL)}${rect(120, 40, 720, 640, STEEL, `stroke="${DARK}" stroke-width="5"`)}${rect(170, 90, 620, 540, '#6f767b')}${screw(145, 66)}${screw(815, 66)}${screw(145, 654)}${screw(815, 654)}${inside}${lamp}`;

const PICTURES: Readonly<Record<string, string>> = {
  'breaker-50': panel(
    `${breaker(190, 120, '200', true)}${breaker(520, 120, '200', true)}${breaker(190, 260, '50')}${breaker(190, 324, '50')}${breaker(520, 260, '20', true)}${breaker(520, 324, '15', true)}${breaker(190, 440, '20', true)}${breaker(520, 440, '20', true)}${text(205, 240, 28, 'GENERATOR', '#fff')}`,
  ),
  'breaker-30': panel(
    `${breaker(190, 120, '200', true)}${breaker(520, 120, '200', true)}${breaker(190, 260, '30')}${breaker(190, 324, '30')}${rect(176, 300, 280, 46, '#c9cdd0', 'opacity=".9"')}${screw(190, 323)}${screw(442, 323)}${breaker(520, 260, '20', true)}${breaker(520, 324, '15', true)}${text(205, 240, 28, 'GENERATOR 30 A', '#fff')}`,
  ),
  'cable-in-attic': `${wall('#7d5f41')}${rect(0, 430, 960, 290, '#caa9a4')}${[0, 160, 320, 480, 640, 800].map((x) => rect(x, 0, 60, 440, '#5e452c')).join('')}<path d="M-10 300C200 250 360 360 520 300S840 280 970 330" stroke="#d98a3a" stroke-width="26" fill="none"/>${text(330, 316, 20, '10/3 W/G NM-B 600 V', '#3a2410', 'transform="rotate(5 330 316)"')}${rect(690, 470, 150, 110, '#f3efe6')}${text(712, 540, 46, '154 °F', '#a02020')}${lamp}`,
  'written-sign': `${wall('#a7a39a')}${rect(330, 330, 300, 330, '#777e83', `stroke="${DARK}" stroke-width="5"`)}<path d="M330 330L370 250H670L630 330Z" fill="#959ca1" stroke="${DARK}" stroke-width="4"/><circle cx="480" cy="500" r="96" fill="${DARK}"/><path d="M450 450v36M510 450v36M450 520v34h18M512 540a10 10 0 1 0 2 0" stroke="#c9a227" stroke-width="10" fill="none"/>${rect(250, 80, 460, 120, '#f6f1d6', 'transform="rotate(-2 480 140)"')}${text(280, 130, 32, 'generator plug', '#1b3a8a', 'transform="rotate(-2 480 140)" font-style="italic"')}${text(280, 176, 28, 'max 30 amp – floating', '#1b3a8a', 'transform="rotate(-2 480 140)" font-style="italic"')}${lamp}`,
  'order-posted': `${wall('#b9ad98')}${rect(210, 30, 540, 660, STEEL, `stroke="${DARK}" stroke-width="6"`)}${rect(690, 330, 24, 70, DARK)}${rect(290, 150, 360, 420, '#fbfaf5')}${text(322, 250, 66, 'DO NOT', '#111', 'font-weight="bold"')}${text(322, 322, 66, 'USE', '#111', 'font-weight="bold"')}${Array.from({ length: 7 }, (_, i) => rect(322, 360 + i * 26, i % 3 === 2 ? 200 : 296, 8, '#666')).join('')}${[290, 620].map((x) => rect(x, 138, 44, 24, '#d9d2b8', 'opacity=".8"')).join('')}${lamp}`,
};

const folder = join(fileURLToPath(new URL('..', import.meta.url)), 'server', 'demo', 'photos');
const browser = await browserType.launch({ executablePath: chromium(), args: ['--no-sandbox'] });
const page = await browser.newPage({ viewport: SIZE });
for (const [name, drawn] of Object.entries(PICTURES)) {
  await page.setContent(
    `<style>body{margin:0}</style><svg width="960" height="720" stroke="none">${drawn}${rect(0, 682, 960, 38, '#111', 'opacity=".7"')}${text(16, 709, 22, 'Drawn for the demo; nobody’s house', '#eee')}</svg>`,
  );
  await page.screenshot({ path: join(folder, `${name}.jpg`), type: 'jpeg', quality: 62 });
}
await browser.close();
