import { registerLocaleData } from '@angular/common';
import { provideBrowserGlobalErrorListeners, provideZonelessChangeDetection, type ApplicationConfig } from '@angular/core';
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
import { en_GB, provideNzI18n } from 'ng-zorro-antd/i18n';
import { provideNzIcons } from 'ng-zorro-antd/icon';
import { routes } from './app.routes';

registerLocaleData(en);

export const appConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideBrowserGlobalErrorListeners(),
    provideRouter(routes, withComponentInputBinding()),
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
