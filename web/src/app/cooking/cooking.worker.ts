import '../no-eval';
import { expose } from 'comlink';
import { CookingThread } from './thread';

expose(new CookingThread());
