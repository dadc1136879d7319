import { followAnswers } from './asked.js';
import { start } from './common.js';

start();
followAnswers();
