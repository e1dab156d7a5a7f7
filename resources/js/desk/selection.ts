import { computed, watch, type ComputedRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { BookObject, Kind, ObjectOf } from '@/api'
import { useDesk } from './desk'

function isOf<K extends Kind>(object: BookObject, kinds: readonly K[]): object is ObjectOf<K> {
  return (kinds as readonly Kind[]).includes(object.kind)
}

/** Of each kind the one that was chosen last at a customer: whom one looked at under Users, Forwarding opens at. */
const LAST = new WeakMap<object, Map<Kind, string>>()

/** The object a chapter is open at. It stands in the address, so that a reload, a link and a finding come to it. */
export function useSelected<K extends Kind>(
  ...kinds: K[]
): { all: ComputedRef<ObjectOf<K>[]>; selected: ComputedRef<ObjectOf<K> | undefined>; select: (ref: string) => void } {
  const desk = useDesk()
  const { book } = desk
  const last = LAST.get(desk) ?? new Map<Kind, string>()
  LAST.set(desk, last)
  const route = useRoute()
  const router = useRouter()
  const all = computed(() =>
    (book.data.value?.objects ?? []).filter((object): object is ObjectOf<K> => isOf(object, kinds)),
  )
  const named = computed(() => all.value.find((object) => object.ref === route.query['at']))
  watch(
    named,
    (object) => {
      if (object !== undefined) last.set(object.kind, object.ref)
    },
    { immediate: true, flush: 'sync' },
  )
  const selected = computed(
    () => named.value ?? all.value.find((object) => object.ref === last.get(object.kind)) ?? all.value[0],
  )

  function select(ref: string): void {
    if (route.query['at'] !== ref) void router.replace({ query: { ...route.query, at: ref } })
  }

  return { all, selected, select }
}
