# Tests: every part counts what passed, failed and was skipped; one line sums up.

PARTS=(static core simulator feature front access browser mutations)
passed=0 failed=0 skipped=0 results=''

run_tests() {
    local parts=("$@") part other beside='core|simulator|front|browser'
    [ ${#parts[@]} -gt 0 ] || parts=("${PARTS[@]}")
    for part in "${parts[@]}"; do
        [[ " ${PARTS[*]} " == *" $part "* ]] || fail "There is no part “$part”. Parts are: ${PARTS[*]}."
    done
    keep_in_memory
    results="$(mktemp -d)"
    # The browser waits more than it works: the other half, as long as its own, is run beside it, and what it said is shown at its end. Three beside each
    # other took a fifth longer on two cores.
    if [ ${#parts[@]} -gt 1 ] && [[ " ${parts[*]} " == *' browser '* ]]; then
        run_parts $(printf '%s\n' "${parts[@]}" | grep -xE "$beside") >"$results/beside" 2>&1 &
        other=$!
        run_parts $(printf '%s\n' "${parts[@]}" | grep -vxE "$beside")
        wait "$other" || true
        cat "$results/beside"
    else
        run_parts "${parts[@]}"
    fi
    sum_up "${parts[@]}"
    rm -rf "$results"
    printf '\n%d passed, %d failed, %d skipped\n' "$passed" "$failed" "$skipped"
    [ "$failed" = 0 ]
}

# Data folders of the tests live for seconds: on a disk they wait for it half of the time (every writing waits for the disk, as it must). A
# folder in memory is a folder like any other; where there is too little of it, the disk it is.
keep_in_memory() {
    local room
    room="$(df -Pk /dev/shm 2>/dev/null | awk 'NR == 2 { print int($4 / 1024) }')"
    if [ "${room:-0}" -gt 4000 ] && [ "$(awk '/^MemAvailable/ { print int($2 / 1024) }' /proc/meminfo)" -gt 8000 ]; then
        TMPDIR="$(mktemp -d -p /dev/shm parlay-tests.XXXXXX)"; export TMPDIR
        trap 'rm -rf "$TMPDIR"' EXIT
    fi
}

run_parts() {
    local part begun
    for part in "$@"; do
        printf '\n== %s ==\n' "$part"
        begun=$SECONDS passed=0 failed=0 skipped=0
        case "$part" in
            core|simulator|feature|access|browser) php_suite "$part" ;;
            front) front_tests ;;
            static) static_checks ;;
            mutations) mutations ;;
        esac
        echo "$passed $failed $skipped" > "$results/$part.count"
        say "$part took $((SECONDS - begun)) s"
    done
}

# A part that left no count fell over: it failed.
sum_up() {
    local part p f s
    passed=0 failed=0 skipped=0
    for part in "$@"; do
        read -r p f s < "$results/$part.count" || { p=0 f=1 s=0; }
        passed=$((passed + p)); failed=$((failed + f)); skipped=$((skipped + s))
    done
}

php_suite() {
    local log="$results/$1.xml"
    php "${PHP_FAST[@]}" vendor/bin/phpunit --testsuite "$1" --log-junit "$log" --no-progress || true
    count_junit "$log" "$1"
}

front_tests() {
    local log="$results/front.xml"
    npx vitest run --reporter=default --reporter=junit --outputFile.junit="$log" || true
    count_junit "$log" front
}

count_junit() {
    if [ ! -s "$1" ]; then
        failed=$((failed + 1)); say "$2 did not run to its end"
        return
    fi
    local p f s
    read -r p f s < <(php -r '$x = simplexml_load_file($argv[1]); $t=$f=$s=0; foreach ($x->xpath("//testcase") as $c) { $t++; if ($c->failure || $c->error) $f++; elseif ($c->skipped) $s++; } echo $t-$f-$s, " ", $f, " ", $s, "\n";' "$1")
    passed=$((passed + p)); failed=$((failed + f)); skipped=$((skipped + s))
    [ $((p + f)) -gt 0 ] || { failed=$((failed + 1)); say "$2 held no test"; }
}

static_checks() {
    check 'style of the PHP code' vendor/bin/pint --test
    check 'types and arrows of the PHP code' vendor/bin/phpstan analyse --no-progress --memory-limit=2G
    check 'types of core, held to more' vendor/bin/phpstan analyse -c phpstan-core.neon --no-progress --memory-limit=2G
    check 'types of the front end' npx tsc --noEmit
    check 'rules of the front end' npx biome lint resources/js
    check 'generated types are current' generated_types_are_current
    check 'demo files are current' demo_files_are_current
    check 'the picture of the house is current' picture_of_the_house_is_current
    check 'migrations that landed are as they landed' landed_migrations_are_unchanged
}

# Of the changes to core that its tests noticed once, a share by turns: none of them may go unnoticed again. php scripts/mutations.php looks for
# new ones, by hand (docs/mutations.md).
mutations() {
    check 'changes that were noticed are noticed still' php scripts/mutations.php kept
}

check() {
    local name="$1"; shift
    if quietly "$@"; then
        say "$name: good"; passed=$((passed + 1))
    else
        say "$name: FAILED"; failed=$((failed + 1))
    fi
}

generated_types_are_current() {
    local scratch; scratch="$(mktemp -d)"
    APP_KEY="base64:$(head -c32 /dev/zero | base64)" PARLAY_DATA="$scratch" php artisan parlay:openapi "$scratch/openapi.json" &&
        diff -u resources/js/api/generated/openapi.json "$scratch/openapi.json" &&
        npx openapi-typescript "$scratch/openapi.json" -o "$scratch/schema.d.ts" &&
        diff -u resources/js/api/generated/schema.d.ts "$scratch/schema.d.ts"
}

demo_files_are_current() {
    local scratch; scratch="$(mktemp -d)"
    php database/demo/make.php "$scratch" && diff -r database/demo/files "$scratch"
}

picture_of_the_house_is_current() {
    local drawn; drawn="$(mktemp)"
    php scripts/house.php "$drawn" && diff docs/house.svg "$drawn"
}

# A folder that was made by one as it landed would never be brought to what another was changed into. The rule holds from the commit on that mended the forms of before.
landed_migrations_are_unchanged() {
    local since changed
    since="$(git log --diff-filter=A --format=%H -1 -- database/migrations/2026_12_01_000003_where_instruments_stand.php 2>/dev/null)"
    [ -n "$since" ] || { echo 'There is no history here to hold them against.'; return 0; }
    changed="$(git diff --name-only --diff-filter=MDR "$since" -- database/migrations)"
    [ -z "$changed" ] || { echo "Changed after they had landed; write a new one that looks at what is there instead:"; echo "$changed"; return 1; }
}
