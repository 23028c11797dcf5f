# What the script says while it works.
say() { printf '· %s\n' "$*"; }
fail() { printf 'Parlay: %s\n' "$*" >&2; exit 1; }

# Runs something long; what it prints is shown only when it fails.
quietly() {
    local log; log="$(mktemp)"
    if ! "$@" >"$log" 2>&1; then
        tail -n 30 "$log" >&2; rm -f "$log"
        return 1
    fi
    rm -f "$log"
}
