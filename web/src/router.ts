import { createRouter, createWebHistory, type RouteLocationNormalized } from 'vue-router'
import LibraryView from '@/views/library/LibraryView.vue'
import { openDefault } from '@/views/library/openDefault'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    {
      path: '/',
      name: 'library',
      component: LibraryView,
      beforeEnter: async () => (await openDefault()) ?? true,
      meta: { title: 'Library' },
    },
    {
      path: '/templates/:id',
      name: 'template',
      component: () => import('@/views/order/OrderView.vue'),
      props: (route) => ({ kind: 'template', id: route.params.id }),
      meta: { title: 'Running order' },
    },
    {
      path: '/songs/:id/order',
      name: 'song-order',
      component: () => import('@/views/order/OrderView.vue'),
      props: (route) => ({ kind: 'song', id: route.params.id }),
      meta: { title: 'Running order' },
    },
    ...(['template', 'song'] as const).map((kind) => ({
      path: `/${kind}s/:id/outputs/:channel?`,
      name: `${kind}-outputs`,
      component: () => import('@/views/outputs/OutputsView.vue'),
      props: (route: RouteLocationNormalized) => ({
        kind,
        id: route.params.id,
        channel: route.params.channel || undefined,
      }),
      meta: { title: 'Outputs' },
    })),
    ...(['template', 'song'] as const).map((kind) => ({
      path: `/${kind}s/:id/strip/:channel?`,
      name: `${kind}-strip`,
      component: () => import('@/views/strip/StripView.vue'),
      props: (route: RouteLocationNormalized) => ({
        kind,
        id: route.params.id,
        channel: route.params.channel || undefined,
      }),
      meta: { title: 'Strip' },
    })),
    ...(['template', 'song'] as const).map((kind) => ({
      path: `/${kind}s/:id/ducking`,
      name: `${kind}-ducking`,
      component: () => import('@/views/ducking/DuckingView.vue'),
      props: (route: RouteLocationNormalized) => ({ kind, id: route.params.id }),
      meta: { title: 'Ducking' },
    })),
    ...(['template', 'song'] as const).map((kind) => ({
      path: `/${kind}s/:id/sends`,
      name: `${kind}-sends`,
      component: () => import('@/views/sends/SendsView.vue'),
      props: (route: RouteLocationNormalized) => ({ kind, id: route.params.id }),
      meta: { title: 'Sends' },
    })),
    ...(['template', 'song'] as const).map((kind) => ({
      path: `/${kind}s/:id/movement`,
      name: `${kind}-movement`,
      component: () => import('@/views/movement/MovementView.vue'),
      props: (route: RouteLocationNormalized) => ({ kind, id: route.params.id }),
      meta: { title: 'Movement' },
    })),
    ...(['template', 'song'] as const).map((kind) => ({
      path: `/${kind}s/:id/cast`,
      name: `${kind}-cast`,
      component: () => import('@/views/cast/CastView.vue'),
      props: (route: RouteLocationNormalized) => ({ kind, id: route.params.id }),
      meta: { title: 'Cast list' },
    })),
    ...(['template', 'song'] as const).map((kind) => ({
      path: `/${kind}s/:id/call-sheet`,
      name: `${kind}-call-sheet`,
      component: () => import('@/views/callsheet/CallSheetView.vue'),
      props: (route: RouteLocationNormalized) => ({ kind, id: route.params.id }),
      meta: { title: 'Call sheet' },
    })),
    ...(['template', 'song'] as const).map((kind) => ({
      path: `/${kind}s/:id/outside`,
      name: `${kind}-outside`,
      component: () => import('@/views/outside/OutsideView.vue'),
      props: (route: RouteLocationNormalized) => ({ kind, id: route.params.id }),
      meta: { title: 'Line check from outside' },
    })),
    ...(['template', 'song'] as const).map((kind) => ({
      path: `/${kind}s/:id/refit`,
      name: `${kind}-refit`,
      component: () => import('@/views/refit/RefitView.vue'),
      props: (route: RouteLocationNormalized) => ({ kind, id: route.params.id }),
      meta: { title: 'Refit' },
    })),
    {
      path: '/songs/:id/strike',
      name: 'song-strike',
      component: () => import('@/views/strike/StrikeView.vue'),
      props: true,
      meta: { title: 'Strike' },
    },
    { path: '/shelf', name: 'shelf', component: () => import('@/views/shelf/ShelfView.vue'), meta: { title: 'Shelf' } },
    {
      path: '/studio',
      name: 'studio',
      component: () => import('@/views/studio/StudioView.vue'),
      meta: { title: 'Studio' },
    },
    { path: '/songs', name: 'songs', component: () => import('@/views/songs/SongsView.vue'), meta: { title: 'Songs' } },
    {
      path: '/songs/:id',
      name: 'song',
      component: () => import('@/views/songs/SongView.vue'),
      props: true,
      meta: { title: 'Song' },
    },
    { path: '/:rest(.*)*', component: () => import('@/views/NotFound.vue'), meta: { title: 'Nothing here' } },
  ],
})

router.afterEach((to) => {
  document.title = `${String(to.meta.title ?? '')} · Home Stage`
})
