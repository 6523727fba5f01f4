// import './none.js' and 'none.png'
import { lamp } from './lib/lamp.js';
import './style';
import left from 'left';
export * from "../shared/tea.mjs";
const later = await import('./later');
const worker = new Worker('work/er.js');
const found = new URL('data/stalls.json', import.meta.url);
const pattern = /["'\/]none\.png/g; const half = 4 / 2; const s = "img/lamp.png";
img.src = `img/${name}.png`; img.src = `img/tea.jpg`;
const t = "it's 'quoted.png' here", u = 'audio/\x41.wav', v = "https://x.example/a.png", w = 'a b c.mp4';
/* "none.webm" */ film('clips/walk.webm');
