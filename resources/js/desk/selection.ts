import { computed, type ComputedRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { BookObject, Kind, ObjectOf } from '@/api'
import { useDesk } from './desk'

function isOf<K extends Kind>(object: BookObject, kinds: readonly K[]): object is ObjectOf<K> {
  return (kinds as readonly Kind[]).includes(object.kind)
}

/** The object a chapter is open at. It stands in the address, so that a reload, a link and a finding come to it. */
export function useSelected<K extends Kind>(
  ...kinds: K[]
): { all: ComputedRef<ObjectOf<K>[]>; selected: ComputedRef<ObjectOf<K> | undefined>; select: (ref: string) => void } {
  const { book } = useDesk()
  const route = useRoute()
  const router = useRouter()
  const all = computed(() =>
    (book.data.value?.objects ?? []).filter((object): object is ObjectOf<K> => isOf(object, kinds)),
  )
  const selected = computed(() => all.value.find((object) => object.ref === route.query['at']) ?? all.value[0])

  function select(ref: string): void {
    if (route.query['at'] !== ref) void router.replace({ query: { ...route.query, at: ref } })
  }

  return { all, selected, select }
}
