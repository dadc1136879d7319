import { followAnswers, noticeHands } from './asked.js';
import { start } from './common.js';
import './filling.js';
import { followChanges } from './live.js';
import './values.js';

start();
followAnswers();
noticeHands();
followChanges();
