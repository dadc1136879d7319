// Scripts, fonts, icons and the speckle of the boards.
import { build } from 'esbuild';
import { copyFileSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const out = process.argv[2];

await build({
  entryPoints: ['src/site.js', 'src/desk.js'],
  bundle: true,
  minify: true,
  format: 'iife',
  target: 'es2022',
  outdir: out,
  logLevel: 'warning',
});

const fonts = {
  'hanken-latin': '@fontsource-variable/hanken-grotesk/files/hanken-grotesk-latin-wght-normal',
  'hanken-latin-ext': '@fontsource-variable/hanken-grotesk/files/hanken-grotesk-latin-ext-wght-normal',
  'fraunces-latin': '@fontsource/fraunces/files/fraunces-latin-600-normal',
  'fraunces-latin-ext': '@fontsource/fraunces/files/fraunces-latin-ext-600-normal',
};
for (const [name, file] of Object.entries(fonts)) {
  copyFileSync(`node_modules/${file}.woff2`, join(out, `${name}.woff2`));
}

// What is printed has letters of its own: those of the pages, and for all others a font that has most there are.
const printed = join(out, '../fonts');
mkdirSync(printed, { recursive: true });
for (const [name, file] of Object.entries({
  'hanken.ttf': '@expo-google-fonts/hanken-grotesk/400Regular/HankenGrotesk_400Regular',
  'hanken-bold.ttf': '@expo-google-fonts/hanken-grotesk/600SemiBold/HankenGrotesk_600SemiBold',
  'other.ttf': 'dejavu-fonts-ttf/ttf/DejaVuSans',
  'other-bold.ttf': 'dejavu-fonts-ttf/ttf/DejaVuSans-Bold',
})) {
  copyFileSync(`node_modules/${file}.ttf`, join(printed, name));
}

const symbols = JSON.parse(readFileSync('src/icons.json', 'utf8')).map(name => {
  const svg = readFileSync(`node_modules/lucide-static/icons/${name}.svg`, 'utf8');
  const body = svg.replace(/<!--[\s\S]*?-->/g, '').replace(/<svg[\s\S]*?>/, '').replace('</svg>', '')
    .replace(/\s+/g, ' ').trim();
  return `<symbol id="${name}" viewBox="0 0 24 24" fill="none" stroke="currentColor" stroke-width="1.75" `
    + `stroke-linecap="round" stroke-linejoin="round">${body}</symbol>`;
});
writeFileSync(join(out, 'icons.svg'), `<svg xmlns="http://www.w3.org/2000/svg">${symbols.join('')}</svg>\n`);
copyFileSync('src/favicon.svg', join(out, 'favicon.svg'));
writeFileSync(join(out, 'speckle.svg'), speckle());

// Pressboard is pressed from fibres of many colours: short flecks, light and dark, strewn evenly.
function speckle() {
  let seed = 20261125;
  const random = () => (seed = (seed * 48271) % 2147483647) / 2147483647;
  const size = 220;
  const flecks = Array.from({ length: 190 }, () => {
    const x = (random() * size).toFixed(1);
    const y = (random() * size).toFixed(1);
    const length = 1.2 + random() * 3.4;
    const angle = random() * Math.PI;
    const light = random() < 0.55;
    const dx = (Math.cos(angle) * length).toFixed(1);
    const dy = (Math.sin(angle) * length).toFixed(1);
    return `<path d="M${x} ${y}l${dx} ${dy}" stroke="${light ? '#fff' : '#000'}" `
      + `stroke-opacity="${(0.08 + random() * (light ? 0.16 : 0.22)).toFixed(2)}"/>`;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${size}" height="${size}" stroke-width=".9" `
    + `stroke-linecap="round">${flecks.join('')}</svg>\n`;
}
