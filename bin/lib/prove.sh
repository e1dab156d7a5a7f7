#!/usr/bin/env bash
# The phases of bin/test, run while the keeper keeps the services: core's beside what is short, then the ones that need
# the machine to themselves.
. "$ROOT/bin/lib/house.sh"
choose_instance proof
cd "$ROOT"
CHOSEN=" $* "
FILTERED=()
[ -z "${FILTER:-}" ] || FILTERED=(--filter "$FILTER")
OUT="$HOME_DIR/phases"
mkdir -p "$OUT"
: > "$OUT/failed"

wanted() { [ "$CHOSEN" = "  " ] || [[ "$CHOSEN" == *" $1 "* ]]; }
# phase NAME COMMAND...: runs it, prints how long it took and the runner's closing lines, or all it
# said where it failed.
phase() {
    local name=$1 from to
    shift
    wanted "$name" || return 0
    from=$(date +%s.%N)
    local code=0
    "$@" > "$OUT/$name.log" 2>&1 || code=$?
    to=$(date +%s.%N)
    {
        printf '\n== %s: %s in %.1f s\n' "$name" "$([ $code = 0 ] && echo passed || echo "FAILED ($code)")" \
            "$(awk "BEGIN { print $to - $from }")"
        if [ $code = 0 ]; then grep -v '^\s*$' "$OUT/$name.log" | tail -4; else cat "$OUT/$name.log"; fi
    } > "$OUT/$name.said"
    flock "$OUT/failed" cat "$OUT/$name.said"
    [ $code = 0 ] || echo "$name" >> "$OUT/failed"
}

types() { node_modules/.bin/vue-tsc --noEmit && echo "no type errors"; }
lint() {
    node_modules/.bin/eslint --max-warnings 0 resources/js && npm run --silent check:format && echo "no lint errors"
}
layers() { node_modules/.bin/depcruise --config .dependency-cruiser.cjs resources/js; }
vitest() { node_modules/.bin/vitest run; }
style() { bin/count --columns && vendor/bin/php-cs-fixer fix --dry-run --diff; }
analysis() { vendor/bin/phpstan analyse --no-progress --memory-limit=1500M; }
core() { (cd core && vendor/bin/phpunit); }
feature() {
    "$ROOT/bin/lib/database.sh" "$ROOT" proof roster_template
    DB_DATABASE=roster_template php artisan roster:migrate
    vendor/bin/paratest --processes=2 --testsuite=feature --runner=WrapperRunner \
        --log-junit "$OUT/feature.xml" "${FILTERED[@]}"
}
house() { vendor/bin/phpunit --testsuite=house "${FILTERED[@]}"; }
standins() { vendor/bin/phpunit --testsuite=standins "${FILTERED[@]}"; }
served() { vendor/bin/phpunit --testsuite=served "${FILTERED[@]}"; }
machines() { vendor/bin/phpunit --testsuite=machines "${FILTERED[@]}"; }
browser() { vendor/bin/phpunit --testsuite=browser --log-junit "$OUT/browser.xml" "${FILTERED[@]}"; }

front_lane() {
    phase types types
    phase lint lint
    phase layers layers
    phase vitest vitest
}
# The feature tests and the analysers boot the application with settings of this instance and caches of their own.
export ROSTER_HOME="$HOME_DIR/feature"
mkdir -p "$ROSTER_HOME"/{cache,storage/{app,logs,framework/{cache,sessions,views}}}
cp "$HOME_DIR/app.env" "$ROSTER_HOME/app.env"
# Two lanes of about the same length: core's tests take as long as everything else here.
{
    front_lane
    phase style style
    phase analysis analysis
    phase house house
    phase standins standins
} &
BESIDE=$!
phase core core
wait "$BESIDE"
phase feature feature
phase served served
phase machines machines
phase browser browser
printf '\nAll of bin/test took %.0f s.\n' "$(awk "BEGIN { print $(date +%s.%N) - $STARTED }")"
if [ -s "$OUT/failed" ]; then
    # Once more, short and last: whoever reads only the end sees what was wrong.
    while read -r name; do
        printf '\n-- %s, its last lines:\n' "$name"
        grep -v '^\s*$' "$OUT/$name.log" | tail -15 | cut -c1-300
    done < "$OUT/failed"
    printf '\nFAILED: %s\n' "$(tr '\n' ' ' < "$OUT/failed")"
    exit 1
fi
echo "Everything passed."
