# Steps that the other scripts share; each does nothing when its work is done already.

# The packages, as locked.
installed() {
  if [ ! -f node_modules/.package-lock.json ] || [ package-lock.json -nt node_modules/.package-lock.json ]; then
    npm ci --no-audit --no-fund
    touch node_modules/.package-lock.json
  fi
}

# The build, when a source is newer than it.
built() {
  local newer=x
  if [ -f build/server/index.js ] && [ -f build/node/worker.js ]; then
    newer=$(find app core server cli demo public docs/model.md docs/plots package-lock.json vite.config.ts vite.node.config.ts \
      react-router.config.ts -newer build/server/index.js -type f -print -quit)
  fi
  [ -z "$newer" ] || npm run build
}

# A Chromium for the browser tests: Debian's, unless CHROMIUM names one.
browser() {
  export CHROMIUM="${CHROMIUM:-$(command -v chromium || command -v chromium-browser || true)}"
  if [ -z "$CHROMIUM" ] && command -v apt-get >/dev/null && [ "$(id -u)" = 0 ]; then
    apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends chromium
    CHROMIUM=$(command -v chromium || true)
  fi
  if [ -z "$CHROMIUM" ]; then
    echo 'The browser tests need Chromium: install it (Debian: apt-get install chromium), or set CHROMIUM to its path.' >&2
    return 1
  fi
}
