<script setup lang="ts">
import { computed, ref } from 'vue'
import type { ObjectOf, MenuScript } from '@/api'
import { plural } from '@/shared'
import { useDesk } from '../desk'
import InlineField from '../InlineField.vue'

/** Whom a menu reaches by name and by which keys, who spell alike, and who is not reached and why. */
const { menu, directory } = defineProps<{ menu: ObjectOf<'menu'>; directory: MenuScript['directory'] | undefined }>()

const { names } = useDesk()
const words = ref('')

const scope = computed(() => menu.fields.dialByName.scope)
const shown = computed(() =>
  (directory?.reached ?? []).filter((each) =>
    `${names.value.of(each.user)} ${each.keys}`.toLowerCase().includes(words.value.toLowerCase()),
  ),
)

/** As callers press them, one after another. */
function keys(each: { keys: string; place: number | null }): string {
  return `${Array.from(each.keys).join(' ')} #${each.place === null ? '' : `, then ${each.place}`}`
}
</script>

<template>
  <section class="names" aria-label="Dial by name">
    <p class="soft">
      Names may be dialled
      <InlineField
        :object="menu"
        path="dialByName/scope"
        :type="{ choices: { off: 'no', site: 'of this site', groups: 'of groups', all: 'all' } }"
        label="Names may be dialled"
      />
      <template v-if="scope === 'groups'">
        <InlineField :object="menu" path="dialByName/groups" label="Groups whose members are listed"
      /></template>
      <template v-if="scope !== 'off'">
        by
        <InlineField
          :object="menu"
          path="dialByName/by"
          :type="{ choices: { first: 'first name', last: 'last name', either: 'either name' } }"
          label="By which name"
        />,
        <InlineField
          :object="menu"
          path="dialByName/match"
          :type="{ choices: { partial: 'its beginning is enough', whole: 'spelt to its end' } }"
          label="How much of it"
        />; 0 is a space, # ends it
      </template>
    </p>
    <template v-if="directory !== null && directory !== undefined">
      <p v-for="alike in directory.alike" :key="alike.join()" class="alike">
        {{ alike.map((each) => names.of(each)).join(' and ') }} are spelt by the same keys: callers choose from a list.
      </p>
      <details :open="directory.reached.length <= 12">
        <summary>{{ plural(directory.reached.length, 'person', 'people') }} reached by name</summary>
        <el-input
          v-if="directory.reached.length > 12"
          v-model="words"
          size="small"
          type="search"
          class="find"
          aria-label="Find somebody in the directory"
          placeholder="find"
        />
        <table data-testid="directory">
          <thead>
            <tr>
              <th scope="col">Who</th>
              <th scope="col">Fewest keys</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="each in shown" :key="each.user">
              <td>{{ names.of(each.user) }}</td>
              <td class="mono">{{ keys(each) }}</td>
            </tr>
          </tbody>
        </table>
      </details>
      <details v-if="directory.left.length > 0">
        <summary>{{ plural(directory.left.length, 'person', 'people') }} not reached by name</summary>
        <ul>
          <li v-for="each in directory.left" :key="each.user">
            {{ names.of(each.user) }} <span class="soft">{{ each.why }}</span>
          </li>
        </ul>
      </details>
    </template>
  </section>
</template>

<style scoped>
.names {
  display: grid;
  gap: 6px;
  margin-top: 14px;
}

.alike {
  color: var(--buoy);
}

summary {
  cursor: pointer;
}

td,
th {
  padding-block: 2px;
}

.find {
  width: 200px;
}
</style>
