<script setup lang="ts">
import { computed } from 'vue'
import type { ObjectOf, Telephones } from '@/api'
import { age, plural, useNow } from '@/shared'
import { useDesk } from '../desk'
import { presenceOf, shareOf } from '../presence'
import StateMark from '../StateMark.vue'

/** Which telephones are there, by site: the share, and each that is not as it ought to be. */
const { devices, told } = defineProps<{ devices: readonly ObjectOf<'device'>[]; told: Telephones | undefined }>()
const emit = defineEmits<{ select: [ref: string] }>()

/** More than these are counted, not named. */
const MOST = 24

const { names } = useDesk()
const now = useNow()
const sites = computed(() => {
  const bySite = new Map<string, ObjectOf<'device'>[]>()
  for (const each of devices) {
    if (each.fields.status !== 'inUse') continue
    const site = each.fields.site ?? ''
    bySite.set(site, [...(bySite.get(site) ?? []), each])
  }
  return [...bySite].map(([site, all]) => {
    const states = all.map((device) => ({ device, state: presenceOf(device, told, (at) => age(at, now.value)) }))
    return {
      site,
      name: site === '' ? 'At no site' : names.value.of(site),
      share: shareOf(all, told),
      off: states.filter(({ state }) => state[0] !== 'dot'),
    }
  })
})
</script>

<template>
  <section data-testid="presence" aria-live="polite">
    <p v-if="told?.trouble != null" class="fault" role="alert">
      The switch could not be asked: {{ told.trouble }}
      {{ told.readAt === null ? '' : `What stands here is of ${age(told.readAt, now)}.` }}
    </p>
    <p v-if="told !== undefined && told.heard === null && told.trouble === null" class="soft">
      This switch does not tell which telephones are there: it is not known.
    </p>
    <div v-for="each in sites" :key="each.site" class="site">
      <p>
        <strong class="name">{{ each.name }}</strong>
        <template v-if="each.share !== undefined">
          <StateMark
            :shape="each.share.there === each.share.all ? 'dot' : each.share.there === 0 ? 'diamond' : 'half'"
          />
          {{ each.share.there }} of {{ plural(each.share.all, 'telephone') }} registered
        </template>
        <template v-else><StateMark shape="open" /> not known which are registered</template>
      </p>
      <ul v-if="each.share !== undefined && each.off.length > 0">
        <li v-for="{ device, state } in each.off.slice(0, MOST)" :key="device.ref">
          <StateMark :shape="state[0]" />
          <button type="button" class="text-button" @click="emit('select', device.ref)">{{ device.label }}</button>
          <span class="soft">{{ state[1] }}</span>
        </li>
        <li v-if="each.off.length > MOST" class="soft">and {{ each.off.length - MOST }} more</li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.name {
  margin-right: 8px;
}

.site {
  margin: 4px 0 10px;
}

ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(330px, 1fr));
  gap: 2px 20px;
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
}

li .soft {
  margin-left: 6px;
}
</style>
