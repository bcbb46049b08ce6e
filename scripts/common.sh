# Shared by demo.sh and test.sh: installs packages and builds the web target, each only when something changed.
export EXPO_OFFLINE=1 EXPO_NO_TELEMETRY=1 CI=1 PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1

need_node() {
  command -v node >/dev/null 2>&1 || { echo "Node.js 20.20 or newer is needed and was not found." >&2; exit 1; }
  node -e 'const [a,b]=process.versions.node.split(".").map(Number); process.exit(a>20||(a===20&&b>=19)?0:1)' ||
    { echo "Node.js 20.20 or newer is needed, this is $(node --version)." >&2; exit 1; }
}

install_packages() {
  mkdir -p .cache
  local want have
  want=$(cat package.json package-lock.json | sha256sum | cut -d' ' -f1)
  have=$(cat node_modules/.zoarium-installed 2>/dev/null || true)
  if [ "$want" != "$have" ]; then
    echo "Installing packages (a few minutes the first time) ..."
    npm ci --no-audit --no-fund --loglevel=error
    echo "$want" > node_modules/.zoarium-installed
  fi
}

build_web() {
  local want have
  want=$(find index.ts app src core demo public web scripts/finishBuild.mjs scripts/minify.mjs package.json package-lock.json app.json babel.config.js metro.config.js -type f ! -name '*.test.ts' ! -name '*.test.tsx' -print0 | sort -z | xargs -0 sha256sum | sha256sum | cut -d' ' -f1)
  have=$(cat dist/.built-from 2>/dev/null || true)
  if [ "$want" != "$have" ]; then
    echo "Building the web app ..."
    rm -rf dist
    npx expo export --platform web --no-minify --max-workers "$(nproc)" > .cache/build.log 2>&1 || { cat .cache/build.log >&2; exit 1; }
    node scripts/finishBuild.mjs >> .cache/build.log 2>&1 || { cat .cache/build.log >&2; exit 1; }
    echo "$want" > dist/.built-from
  fi
}
