import { APP_BASE_HREF, registerLocaleData } from '@angular/common';
import { provideServiceWorker } from '@angular/service-worker';
import {
  isDevMode,
  provideBrowserGlobalErrorListeners,
  provideZonelessChangeDetection,
  type ApplicationConfig,
} from '@angular/core';
import en from '@angular/common/locales/en-GB';
import { provideRouter, withComponentInputBinding } from '@angular/router';
import {
  BarChartOutline,
  BookOutline,
  CloseOutline,
  CoffeeOutline,
  DownOutline,
  FireOutline,
  InboxOutline,
  LayoutOutline,
  MenuOutline,
  MinusOutline,
  PlusOutline,
  QuestionCircleOutline,
  UpOutline,
} from '@ant-design/icons-angular/icons';
import { provideNzNoAnimation } from 'ng-zorro-antd/core/animation';
import { en_GB, provideNzI18n } from 'ng-zorro-antd/i18n';
import { provideNzIcons } from 'ng-zorro-antd/icon';
import { routes } from './app.routes';
import { SERVER_PATH } from './services/practice-mode';

registerLocaleData(en);

export const appConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideBrowserGlobalErrorListeners(),
    provideRouter(routes, withComponentInputBinding()),
    { provide: APP_BASE_HREF, useValue: `${SERVER_PATH}/` },
    // Keeps the application itself, so that a reload without a network works.
    provideServiceWorker('ngsw-worker.js', { enabled: !isDevMode(), registrationStrategy: 'registerWhenStable:10000' }),
    // A sheet that fades out has the keys, and takes the focus back when it is gone: what is typed meanwhile would be lost.
    provideNzNoAnimation(),
    provideNzI18n(en_GB),
    provideNzIcons([
      BarChartOutline,
      BookOutline,
      CloseOutline,
      CoffeeOutline,
      DownOutline,
      FireOutline,
      InboxOutline,
      LayoutOutline,
      MenuOutline,
      MinusOutline,
      PlusOutline,
      QuestionCircleOutline,
      UpOutline,
    ]),
  ],
};
