import '../no-eval';
import { expose } from 'comlink';
import { Calculator } from './calculator';

expose(new Calculator());
