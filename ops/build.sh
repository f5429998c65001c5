# Composer and npm packages, and the built front end. Each part is redone only when what it is made of changed.

# stamp NAME FILES... : succeeds when the files are those the stamp was made of.
stamp_current() {
    local name="$1"
    shift
    [ "$(cat ".build/stamps/$name" 2>/dev/null)" = "$(stamp_of "$@")" ]
}
stamp_of() { find "$@" -type f -print0 | sort -z | xargs -0 sha256sum | sha256sum; }
stamp_set() {
    local name="$1"
    shift
    mkdir -p .build/stamps
    stamp_of "$@" >".build/stamps/$name"
}

build_composer() {
    local parts=(composer.json standins)
    [ -f vendor/autoload.php ] && stamp_current composer "${parts[@]}" && return
    step "installing PHP packages"
    COMPOSER_ALLOW_SUPERUSER=1 quietly .build/log/composer.log composer install --no-interaction --no-progress
    # Some packages come with files that only their owner may read.
    chmod -R a+rX vendor
    stamp_set composer "${parts[@]}"
}

build_npm() {
    local parts=(package.json package-lock.json)
    [ -d node_modules ] && stamp_current npm "${parts[@]}" && return
    packages_need_node
    step "installing JavaScript packages"
    # Not "npm ci": it refuses a lock that names builds for other systems which the registry at hand lacks.
    quietly .build/log/npm.log npm install --no-save --no-audit --no-fund
    stamp_set npm "${parts[@]}"
}

build_front() {
    local parts=(resources words api packs/schema/badge.schema.json core/src/Rope/Measure.php core/src/Awards/InkColour.php core/src/Drawing core/src/Knots ops/limits.php ops/look.php ops/words.mjs package.json package-lock.json vite.config.ts tsconfig.json)
    [ -f public/build/manifest.json ] && [ -f public/sw.js ] && [ -f resources/js/api/schema.d.ts ] && [ -f resources/js/api/limits.ts ] && [ -f resources/js/words/messages.d.ts ] && [ -f resources/js/palette.css ] && stamp_current front "${parts[@]}" && return
    step "building the screens"
    quietly .build/log/types.log npm run --silent types
    quietly .build/log/build.log npm run --silent build
    stamp_set front "${parts[@]}"
}

build_all() {
    # Whoever serves a house may be another account: what is built here is for all to read.
    local before
    before="$(umask)"
    umask 022
    build_folder
    # A second command at the same time waits for the first one's build.
    exec 9>.build/lock
    flock 9
    build_composer
    build_npm
    build_front
    flock -u 9
    exec 9>&-
    umask "$before"
}
