import { createRouter, createWebHistory } from 'vue-router';
import { onSignedOut } from './shared/api/client';
import { useSession } from './session/session';

export const router = createRouter({
  history: createWebHistory(),
  // the panes of the model scroll, each for itself; what the router offers instead is still an experiment
  // eslint-disable-next-line @typescript-eslint/no-deprecated
  scrollBehavior: (to, from, before) =>
    before ?? (to.path === from.path || (to.name === 'model' && from.name === 'model') ? false : { top: 0 }),
  routes: [
    { path: '/sign-in', name: 'sign-in', component: () => import('./session/SignIn.vue'), meta: { open: true } },
    { path: '/reset', name: 'reset', component: () => import('./session/ResetPage.vue'), meta: { open: true } },
    { path: '/set-up', name: 'set-up', component: () => import('./session/SetUp.vue'), meta: { open: true } },
    {
      path: '/',
      component: () => import('./frame/Frame.vue'),
      children: [
        { path: '', name: 'start', component: () => import('./frame/StartPage.vue') },
        { path: 'help/:page?', name: 'help', component: () => import('./help/HelpPage.vue') },
        { path: 'account', name: 'account', component: () => import('./session/OwnAccountPage.vue') },
        { path: 'accounts', name: 'accounts', component: () => import('./session/AccountsPage.vue') },
        { path: 'w/:workspace/model/:type?', name: 'model', component: () => import('./model/ModelPage.vue') },
        ...['map', 'findings', 'history', 'exchange'].map((name) => ({
          path: `w/:workspace/${name}`,
          name,
          component: () => import('./model/ModelPage.vue'),
        })),
        {
          path: 'w/:workspace/workbooks/:workbook',
          name: 'workbook',
          component: () => import('./workbook/WorkbookPage.vue'),
        },
        { path: 'w/:workspace/pages', name: 'pages', component: () => import('./layout/PagesPage.vue') },
        { path: 'w/:workspace/records', name: 'records', component: () => import('./record/RecordsPage.vue') },
        {
          path: 'w/:workspace/records/:site/:type?',
          name: 'record-list',
          component: () => import('./record/RecordsPage.vue'),
        },
        {
          path: 'w/:workspace/records/:site/:type/:id',
          name: 'record',
          component: () => import('./record/RecordPage.vue'),
        },
        {
          path: 'w/:workspace/records/:site/workbook-rows/:import',
          name: 'import',
          component: () => import('./importer/ImportPage.vue'),
        },
        { path: 'w/:workspace/releases', name: 'releases', component: () => import('./release/ReleasesPage.vue') },
        { path: 'w/:workspace/sites', name: 'sites', component: () => import('./site/SitesPage.vue') },
        { path: 'w/:workspace/sites/:site', name: 'plan', component: () => import('./site/PlanPage.vue') },
        { path: 'w/:workspace/sites/:site/held', name: 'held', component: () => import('./site/HeldPage.vue') },
        { path: 'w/:workspace/sites/:site/runs/:run', name: 'run', component: () => import('./site/RunPage.vue') },
        { path: ':rest(.*)*', name: 'missing', component: () => import('./frame/MissingPage.vue') },
      ],
    },
  ],
});

router.beforeEach(async (to) => {
  const session = useSession();
  if (!session.known) {
    await session.load();
  }
  if (session.setup) {
    return to.name === 'set-up' ? true : { name: 'set-up' };
  }
  if (!session.name && !to.meta.open) {
    return { name: 'sign-in', query: { back: to.fullPath } };
  }
  return true;
});

onSignedOut(() => {
  const session = useSession();
  session.forget();
  const here = router.currentRoute.value;
  if (here.name !== 'sign-in') {
    void router.push({ name: 'sign-in', query: { back: here.fullPath } });
  }
});
