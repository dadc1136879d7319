import { start } from './common.js';

start();
