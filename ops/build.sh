# Composer and npm packages, and the built front end. Each part is redone only when what it is made of changed.

# stamp NAME FILES... : succeeds when the files are those the stamp was made of.
stamp_current() {
    local name="$1"
    shift
    [ "$(cat "var/stamps/$name" 2>/dev/null)" = "$(stamp_of "$@")" ]
}
stamp_of() { find "$@" -type f -print0 | sort -z | xargs -0 sha256sum | sha256sum; }
stamp_set() {
    local name="$1"
    shift
    mkdir -p var/stamps
    stamp_of "$@" >"var/stamps/$name"
}

build_composer() {
    local parts=(composer.json standins)
    [ -f vendor/autoload.php ] && stamp_current composer "${parts[@]}" && return
    step "installing PHP packages"
    COMPOSER_ALLOW_SUPERUSER=1 quietly var/log/composer.log composer install --no-interaction --no-progress
    stamp_set composer "${parts[@]}"
}

build_npm() {
    local parts=(package.json package-lock.json)
    [ -d node_modules ] && stamp_current npm "${parts[@]}" && return
    packages_need_node
    step "installing JavaScript packages"
    # Not "npm ci": it refuses a lock that names builds for other systems which the registry at hand lacks.
    quietly var/log/npm.log npm install --no-save --no-audit --no-fund
    stamp_set npm "${parts[@]}"
}

build_front() {
    local parts=(resources api package.json package-lock.json vite.config.ts tsconfig.json)
    [ -f public/build/manifest.json ] && [ -f public/sw.js ] && [ -f resources/js/api/schema.d.ts ] && stamp_current front "${parts[@]}" && return
    step "building the screens"
    quietly var/log/types.log npm run --silent types
    quietly var/log/build.log npm run --silent build
    stamp_set front "${parts[@]}"
}

build_all() {
    # A second command at the same time waits for the first one's build.
    mkdir -p var
    exec 9>var/build.lock
    flock 9
    build_composer
    build_npm
    build_front
    flock -u 9
    exec 9>&-
}
