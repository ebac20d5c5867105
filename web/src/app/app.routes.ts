import type { Routes } from '@angular/router';

export const routes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'shelf' },
  { path: 'board', title: 'Board · Tidy Tureen', loadComponent: () => import('./places/board/board').then((m) => m.Board) },
  {
    path: 'board/weeks',
    title: 'Menu of weeks · Tidy Tureen',
    loadComponent: () => import('./places/board/weeks').then((m) => m.Weeks),
  },
  { path: 'board/:date', title: 'Board · Tidy Tureen', loadComponent: () => import('./places/board/board').then((m) => m.Board) },
  { path: 'board/:date/shop', title: 'Shop · Tidy Tureen', loadComponent: () => import('./places/board/shop').then((m) => m.Shop) },
  {
    path: 'board/:date/menu',
    title: 'Menu card · Tidy Tureen',
    loadComponent: () => import('./places/board/menu-card').then((m) => m.MenuCard),
  },
  { path: 'shelf', title: 'Shelf · Tidy Tureen', loadComponent: () => import('./places/shelf/shelf').then((m) => m.Shelf) },
  {
    path: 'shelf/new',
    title: 'New soup · Tidy Tureen',
    loadComponent: () => import('./places/new-soup/new-soup').then((m) => m.NewSoup),
  },
  { path: 'shelf/:soupId', title: 'Card · Tidy Tureen', loadComponent: () => import('./places/card/card').then((m) => m.Card) },
  { path: 'plan', title: 'Plan · Tidy Tureen', loadComponent: () => import('./places/plan/choose').then((m) => m.ChooseSoup) },
  { path: 'plan/:soupId', title: 'Plan · Tidy Tureen', loadComponent: () => import('./places/plan/plan').then((m) => m.PlanPlace) },
  {
    path: 'stove',
    title: 'Stove · Tidy Tureen',
    loadComponent: () => import('./places/stove/stove-list').then((m) => m.StoveList),
  },
  {
    path: 'stove/:batchId',
    title: 'Stove · Tidy Tureen',
    loadComponent: () => import('./places/stove/stove').then((m) => m.Stove),
  },
  {
    path: 'stove/:batchId/counter',
    title: 'For the counter · Tidy Tureen',
    loadComponent: () => import('./places/stove/counter').then((m) => m.Counter),
  },
  {
    path: 'devices',
    title: 'Devices · Tidy Tureen',
    loadComponent: () => import('./places/devices/devices').then((m) => m.DevicesPlace),
  },
  { path: 'wall', title: 'Wall · Tidy Tureen', loadComponent: () => import('./places/wall/wall').then((m) => m.Wall) },
  { path: 'cold', title: 'Cold · Tidy Tureen', loadComponent: () => import('./places/cold/cold').then((m) => m.Cold) },
  {
    path: 'cold/cool',
    title: 'How to cool it · Tidy Tureen',
    loadComponent: () => import('./places/cold/cool-it').then((m) => m.CoolIt),
  },
  { path: 'cold/use-up', title: 'Use up · Tidy Tureen', loadComponent: () => import('./places/cold/use-up').then((m) => m.UseUp) },
  {
    path: 'cold/log',
    title: 'Cold log · Tidy Tureen',
    loadComponent: () => import('./places/cold/cold-log').then((m) => m.ColdLogPlace),
  },
  { path: 'cold/labels', title: 'Labels · Tidy Tureen', loadComponent: () => import('./places/cold/labels').then((m) => m.Labels) },
  {
    path: 'cold/:containerId',
    title: 'Container · Tidy Tureen',
    loadComponent: () => import('./places/cold/container').then((m) => m.ContainerPlace),
  },
  { path: 'ledger', title: 'Ledger · Tidy Tureen', loadComponent: () => import('./places/ledger/ledger').then((m) => m.Ledger) },
  {
    path: 'ledger/learnt',
    title: 'Learnt here · Tidy Tureen',
    loadComponent: () => import('./places/ledger/learnt').then((m) => m.Learnt),
  },
  {
    path: 'ledger/over-time',
    title: 'Over time · Tidy Tureen',
    loadComponent: () => import('./places/ledger/over-time').then((m) => m.OverTime),
  },
  {
    path: 'ledger/month',
    title: 'Month · Tidy Tureen',
    loadComponent: () => import('./places/ledger/month').then((m) => m.MonthPlace),
  },
  {
    path: 'ledger/past',
    title: 'A batch cooked without the page · Tidy Tureen',
    loadComponent: () => import('./places/ledger/past-batch').then((m) => m.PastBatch),
  },
  {
    path: 'ledger/:batchId/side-by-side',
    title: 'Side by side · Tidy Tureen',
    loadComponent: () => import('./places/ledger/side-by-side').then((m) => m.SideBySide),
  },
  {
    path: 'ledger/:batchId',
    title: 'Ledger · Tidy Tureen',
    loadComponent: () => import('./places/ledger/record').then((m) => m.Record),
  },
  {
    path: 'larder',
    title: 'Larder · Tidy Tureen',
    loadComponent: () => import('./places/larder/larder').then((m) => m.LarderPlace),
  },
  { path: 'bench', title: 'Bench · Tidy Tureen', loadComponent: () => import('./places/bench/bench').then((m) => m.Bench) },
  {
    path: 'bench/:batchId',
    title: 'Debrief · Tidy Tureen',
    loadComponent: () => import('./places/bench/debrief').then((m) => m.DebriefPlace),
  },
  { path: 'kit', title: 'Kit · Tidy Tureen', loadComponent: () => import('./places/kit/kit').then((m) => m.KitPlace) },
  { path: '**', title: 'Tidy Tureen', loadComponent: () => import('./places/not-found').then((m) => m.NotFound) },
];
