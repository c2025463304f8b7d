import { inject } from '@angular/core';
import type { CanActivateFn, Routes } from '@angular/router';
import { Router } from '@angular/router';
import { SessionStore } from '@plindo/api';
import { mayLeave } from './shared/may-hold-work';
import { homeOf } from './shell/home-of';

const signedIn: CanActivateFn = (_route, { url }) => {
  const [session, router] = [inject(SessionStore).session(), inject(Router)];
  return session?.user ? true : router.createUrlTree(['/sign-in'], { queryParams: { next: url } });
};

/** Whoever still needs a second step turns it on first. */
const hasStep: CanActivateFn = (_route, { url }) =>
  inject(SessionStore).session()?.needsStep && url !== '/me' ? inject(Router).createUrlTree(['/me']) : true;

/** The Desk's pages, by stage. Each is loaded when it is first opened. */
export const DESK_ROUTES: Routes = [
  { path: 'sign-in', loadComponent: async () => (await import('./shell/sign-in')).SignIn, title: 'Sign in' },
  {
    path: 'forgotten',
    loadComponent: async () => (await import('./shell/forgotten')).Forgotten,
    title: 'Another password',
  },
  {
    path: 'new-password',
    loadComponent: async () => (await import('./shell/new-password')).NewPassword,
    title: 'Choose another password',
  },
  {
    path: 'invitation',
    loadComponent: async () => (await import('./shell/invitation')).Invitation,
    title: 'Invitation',
  },
  { path: 'setup', loadComponent: async () => (await import('./shell/setup')).Setup, title: 'Make the owner' },
  {
    path: '',
    canActivate: [signedIn],
    canActivateChild: [hasStep],
    children: [
      { path: '', pathMatch: 'full', redirectTo: () => homeOf(inject(SessionStore).session()?.user ?? null) },
      {
        path: 'me',
        title: 'Your access',
        loadComponent: async () => (await import('./own-access/own-access-page')).OwnAccessPage,
      },
      { path: 'shape', title: 'Shape', loadComponent: async () => (await import('./shape/shape-page')).ShapePage },
      {
        path: 'shape/from-file',
        title: 'Start from a file',
        loadComponent: async () => (await import('./bring-in/new/import-page')).ImportPage,
        canDeactivate: [mayLeave],
      },
      {
        path: 'shape/starters',
        title: 'Begin with a whole site',
        loadComponent: async () => (await import('./shape/starters/starters-page')).StartersPage,
      },
      {
        path: 'shape/categories/:setId',
        title: 'Categories',
        loadComponent: async () => (await import('./shape/categories/category-page')).CategoryPage,
      },
      {
        path: 'shape/map',
        title: 'Map of the structure',
        loadComponent: async () => (await import('./shape/map/map-page')).MapPage,
      },
      {
        path: 'shape/blueprint',
        title: 'Blueprint',
        loadComponent: async () => (await import('./shape/blueprint-page')).BlueprintPage,
      },
      {
        path: 'shape/:kindId',
        title: 'Shape',
        loadComponent: async () => (await import('./shape/kind/kind-page')).KindPage,
        canDeactivate: [mayLeave],
      },
      { path: 'fill', title: 'Fill', loadComponent: async () => (await import('./shared/pick-kind')).PickKind },
      {
        path: 'fill/problems',
        title: 'Problems',
        loadComponent: async () => (await import('./fill/problems/problems-page')).ProblemsPage,
      },
      {
        path: 'fill/pictures',
        title: 'Pictures',
        loadComponent: async () => (await import('./fill/pictures/pictures-page')).PicturesPage,
      },
      {
        path: 'fill/:kindId',
        title: 'Fill',
        loadComponent: async () => (await import('./fill/table/table-page')).TablePage,
      },
      {
        path: 'fill/:kindId/from-file',
        title: 'Bring in a file',
        loadComponent: async () => (await import('./bring-in/again/again-page')).AgainPage,
        canDeactivate: [mayLeave],
      },
      {
        path: 'fill/:kindId/:listingId',
        title: 'Listing',
        loadComponent: async () => (await import('./fill/form/form-page')).FormPage,
        canDeactivate: [mayLeave],
      },
      {
        path: 'run/review',
        title: 'Review',
        loadComponent: async () => (await import('./run/review/review-page')).ReviewPage,
      },
      {
        path: 'run/review/:id',
        title: 'Review',
        loadComponent: async () => (await import('./run/review/review-page')).ReviewPage,
      },
      {
        path: 'run/people',
        title: 'People',
        loadComponent: async () => (await import('./run/people/people-page')).PeoplePage,
      },
      {
        path: 'run/backups',
        title: 'Backups',
        loadComponent: async () => (await import('./run/backups/backups-page')).BackupsPage,
      },
      {
        path: 'run/calendar',
        title: 'Calendar',
        loadComponent: async () => (await import('./run/calendar/calendar-page')).CalendarPage,
      },
      {
        path: 'run/notices',
        title: 'Notices',
        loadComponent: async () => (await import('./run/notices/notices-page')).NoticesPage,
      },
      {
        path: 'run/outbox',
        title: 'Outbox',
        loadComponent: async () => (await import('./run/outbox/outbox-page')).OutboxPage,
      },
      {
        path: 'run/expiry/:kindId',
        title: 'Leaving the site',
        loadComponent: async () => (await import('./run/expiry/expiry-page')).ExpiryPage,
        canDeactivate: [mayLeave],
      },
      { path: 'arrange', title: 'Arrange', loadComponent: async () => (await import('./shared/pick-kind')).PickKind },
      {
        path: 'arrange/selections',
        title: 'Selections',
        loadComponent: async () => (await import('./arrange/selections/selections-page')).SelectionsPage,
      },
      {
        path: 'arrange/troubles',
        title: 'Troubles',
        loadComponent: async () => (await import('./arrange/troubles/troubles-page')).TroublesPage,
      },
      {
        path: 'arrange/addresses',
        title: 'Addresses',
        loadComponent: async () => (await import('./arrange/addresses/addresses-page')).AddressesPage,
      },
      {
        path: 'arrange/use',
        title: 'Use of designs',
        loadComponent: async () => (await import('./arrange/use/use-page')).UsePage,
      },
      {
        path: 'arrange/drafts',
        title: 'Drafts',
        loadComponent: async () => (await import('./arrange/drafts/drafts-page')).DraftsPage,
      },
      {
        path: 'arrange/words',
        title: 'Words',
        loadComponent: async () => (await import('./arrange/words/words-page')).WordsPage,
      },
      {
        path: 'arrange/looks',
        title: 'Looks',
        loadComponent: async () => (await import('./arrange/looks/looks-page')).LooksPage,
      },
      {
        path: 'arrange/looks/:lookId',
        title: 'Look',
        loadComponent: async () => (await import('./arrange/looks/look-designer')).LookDesigner,
      },
      {
        path: 'arrange/forms',
        title: 'Forms',
        loadComponent: async () => (await import('./arrange/forms/forms-page')).FormsPage,
      },
      {
        path: 'arrange/forms/:formId',
        title: 'Form',
        loadComponent: async () => (await import('./arrange/forms/form-designer')).FormDesigner,
      },
      {
        path: 'arrange/frame',
        title: 'Header and footer',
        loadComponent: async () => (await import('./arrange/frame/frame-designer')).FrameDesigner,
      },
      {
        path: 'arrange/pages',
        title: 'Pages',
        loadComponent: async () => (await import('./arrange/pages/pages-page')).PagesPage,
      },
      {
        path: 'arrange/serving/:kindId',
        title: 'Which page serves which listings',
        loadComponent: async () => (await import('./arrange/pages/serving-page')).ServingPagePage,
      },
      {
        path: 'arrange/pages/:pageId',
        title: 'Page',
        loadComponent: async () => (await import('./arrange/pages/page-designer')).PageDesigner,
      },
      {
        path: 'arrange/selections/:selectionId',
        title: 'Selection',
        loadComponent: async () => (await import('./arrange/selections/selection-page')).SelectionPage,
      },
      {
        path: 'arrange/:kindId/cards/:cardId',
        title: 'Card',
        loadComponent: async () => (await import('./arrange/cards/card-designer')).CardDesigner,
      },
      {
        path: 'arrange/:kindId',
        title: 'Arrange',
        loadComponent: async () => (await import('./arrange/arrange-page')).ArrangePage,
      },
      { path: 'learn', title: 'Learn', loadComponent: async () => (await import('./learn/learn-page')).LearnPage },
      {
        path: 'learn/:group',
        title: 'Learn',
        loadComponent: async () => (await import('./learn/learn-page')).LearnPage,
      },
      { path: 'run', title: 'Run', loadComponent: async () => (await import('./run/run-page')).RunPage },
      { path: '**', redirectTo: '' },
    ],
  },
];
