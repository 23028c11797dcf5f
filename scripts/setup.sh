# Set-up: everything that is missing is installed, everything that is there is left alone.

RUN_PACKAGES=(php8.2-cli php8.2-sqlite3 php8.2-gd php8.2-mbstring php8.2-xml php8.2-zip php8.2-curl unzip procps hostname qrencode)
TEST_PACKAGES=(chromium chromium-driver python3-ezdxf python3-scipy python3-shapely python3-gdal poppler-utils)

set_up() {
    check_tools
    install_debian_packages "$1"
    install_composer_packages
    install_npm_packages
    build_front_end
}

check_tools() {
    command -v php >/dev/null || fail "PHP is missing. Install PHP 8.2 (Debian 12: apt-get install php8.2-cli) and start again."
    php -r 'exit(PHP_VERSION_ID >= 80200 ? 0 : 1);' || fail "PHP $(php -r 'echo PHP_VERSION;') is too old. Install PHP 8.2 or later and start again."
    command -v composer >/dev/null || fail "Composer is missing. Install it (Debian 12: apt-get install composer) and start again."
    command -v npm >/dev/null && command -v node >/dev/null || fail "Node.js or npm is missing. Install Node.js 20.19 or later and start again."
    node -e 'const [a,b]=process.versions.node.split(".").map(Number);process.exit(a>20||(a===20&&b>=19)?0:1)' || fail "Node.js $(node -v) is too old. Install Node.js 20.19 or later and start again."
}

installed() { dpkg-query -W -f='${Status}' "$1" 2>/dev/null | grep -q '^install ok installed$'; }

install_debian_packages() {
    local wanted=("${RUN_PACKAGES[@]}") missing=() p
    [ "$1" = test ] && wanted+=("${TEST_PACKAGES[@]}")
    for p in "${wanted[@]}"; do installed "$p" || missing+=("$p"); done
    [ ${#missing[@]} -gt 0 ] || return 0
    local as=()
    if [ "$(id -u)" != 0 ]; then
        command -v sudo >/dev/null || fail "Debian packages are missing (${missing[*]}) and there is no right to install them. Run this once as root, or have them installed."
        as=(sudo)
    fi
    say "Installing Debian packages: ${missing[*]}"
    quietly "${as[@]}" apt-get update -q || say "The package lists could not be refreshed; trying with those that are here."
    quietly "${as[@]}" env DEBIAN_FRONTEND=noninteractive apt-get install -y -q --no-install-recommends "${missing[@]}" ||
        fail "The Debian packages ${missing[*]} could not be installed. Install them by hand, or run this as someone who may."
}

# Does work only when what it depends on has changed since it last succeeded.
when_changed() {
    local stamp="$1" sum="$2"; shift 2
    [ -f "$stamp" ] && [ "$(cat "$stamp")" = "$sum" ] && return 0
    "$@" || return 1
    mkdir -p "$(dirname "$stamp")"
    printf '%s' "$sum" > "$stamp"
}

sum_of() { cat "$@" | sha256sum | cut -d' ' -f1; }

install_composer_packages() {
    when_changed vendor/.parlay-stamp "$(sum_of composer.json)" composer_install || fail "Composer's packages could not be installed; what it said stands above."
}

composer_install() {
    say "Installing PHP packages"
    COMPOSER_ALLOW_SUPERUSER=1 quietly composer install --no-interaction --no-progress
}

install_npm_packages() {
    when_changed node_modules/.parlay-stamp "$(sum_of package-lock.json)" npm_install || fail "npm's packages could not be installed; what it said stands above."
}

npm_install() {
    say "Installing front-end packages"
    quietly npm ci --no-audit --no-fund
}

build_front_end() {
    local sum; sum="$(find resources/js vite.config.ts package-lock.json -type f | LC_ALL=C sort | xargs cat | sha256sum | cut -d' ' -f1)"
    when_changed public/build/.parlay-stamp "$sum" npm_build || fail "The front end could not be built; what was said stands above."
}

npm_build() {
    say "Building the front end"
    quietly npm run build
}
