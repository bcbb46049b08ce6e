#!/usr/bin/env bash
# Builds Zoarium and a bare router app of the same versions, then measures both. Not part of the tests.
set -euo pipefail
cd "$(dirname "$0")/.."
. scripts/common.sh
need_node
install_packages
build_web
bare=$PWD/.cache/bare
if ! [ -f "$bare/dist/index.html" ]; then
  rm -rf "$bare" && mkdir -p "$bare/app"
  ln -s "$PWD/node_modules" "$bare/node_modules"
  printf 'module.exports = (api) => {\n  api.cache(true);\n  return { presets: ["babel-preset-expo"] };\n};\n' > "$bare/babel.config.js"
  printf '{"name":"bare","version":"0.0.0","private":true,"main":"expo-router/entry"}\n' > "$bare/package.json"
  printf '{"expo":{"name":"bare","slug":"bare","scheme":"bare","platforms":["web"],"web":{"bundler":"metro","output":"single"},"plugins":["expo-router"]}}\n' > "$bare/app.json"
  printf 'import { Slot } from "expo-router";\nexport default function Layout() {\n  return <Slot />;\n}\n' > "$bare/app/_layout.tsx"
  printf 'import { Text, View } from "react-native";\nexport default function Home() {\n  return <View role="main"><Text>Bare</Text></View>;\n}\n' > "$bare/app/index.tsx"
  # Metro cannot follow the linked packages from elsewhere: they are watched from where they are.
  printf 'const { getDefaultConfig } = require("expo/metro-config");\nconst config = getDefaultConfig(__dirname);\nconfig.watchFolders = [require("path").join(__dirname, "..", "..", "node_modules")];\nmodule.exports = config;\n' > "$bare/metro.config.js"
  echo "Building a bare router app to compare with ..."
  (cd "$bare" && npx expo export --platform web > ../bare.log 2>&1) || { tail -20 .cache/bare.log; exit 1; }
fi
npx tsx bench/opening.mts "$bare/dist" dist
npx tsx bench/measure.mts dist
npx tsx bench/longHistory.mts dist
npx tsx bench/forecast.mts dist
npx tsx bench/kernel.ts
