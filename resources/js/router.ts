import { createRouter, createWebHistory } from 'vue-router'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'roster', component: () => import('./roster/RosterView.vue') },
    { path: '/sign-in', name: 'sign-in', component: () => import('./session/SignInView.vue'), meta: { open: true } },
    { path: '/second-factor', name: 'second-factor', component: () => import('./session/SecondFactorView.vue') },
    {
      path: '/new-password',
      name: 'new-password',
      component: () => import('./session/NewPasswordView.vue'),
      meta: { open: true },
    },
    { path: '/manner', name: 'manner', component: () => import('./session/MannerView.vue') },
    { path: '/tokens', name: 'tokens', component: () => import('./session/TokensView.vue') },
    { path: '/numbers', name: 'numbers', component: () => import('./stock/StockView.vue') },
    { path: '/ports', name: 'ports', component: () => import('./ports/PortsView.vue') },
    { path: '/customers/:customer/ports/:port', name: 'port', component: () => import('./ports/PortView.vue') },
    { path: '/health', name: 'health', component: () => import('./health/HealthView.vue') },
    { path: '/settings', name: 'settings', component: () => import('./settings/SettingsView.vue') },
    { path: '/people', name: 'people', component: () => import('./people/PeopleView.vue') },
    { path: '/break-glass', name: 'break-glass', component: () => import('./people/BreakGlassView.vue') },
    { path: '/join', name: 'join', component: () => import('./people/JoinView.vue'), meta: { open: true } },
    { path: '/findings', name: 'findings', component: () => import('./findings/FindingsView.vue') },
    { path: '/rules', name: 'rules', component: () => import('./rules/RulesView.vue') },
    { path: '/taking-on', name: 'taking-on', component: () => import('./takingon/TakingOnView.vue') },
    { path: '/activity', name: 'activity', component: () => import('./activity/ActivityView.vue') },
    { path: '/customers/:customer/done', name: 'extract', component: () => import('./letters/CustomerExtract.vue') },
    { path: '/customers/:customer/report', name: 'report', component: () => import('./letters/CustomerReport.vue') },
    { path: '/customers/:customer/:chapter?', name: 'desk', component: () => import('./desk/DeskView.vue') },
    {
      path: '/:unknown(.*)*',
      name: 'unknown',
      component: () => import('./shared/components/UnknownView.vue'),
      meta: { open: true },
    },
  ],
})
