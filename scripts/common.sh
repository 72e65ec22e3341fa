# Shared by ./start and ./test; run from the project's folder.
export DOTNET_CLI_TELEMETRY_OPTOUT=1 DOTNET_NOLOGO=1
# A compiler is over before profiling its hot code has paid for itself.
export DOTNET_TieredPGO=0

need_tools() {
  if ! command -v dotnet >/dev/null || ! dotnet --list-sdks | grep -q '^10\.'; then
    echo "Moss Lantern needs the .NET 10 SDK (dotnet), which is not on this machine's PATH." >&2; exit 1
  fi
  if ! command -v node >/dev/null || [ "$(node -p 'process.versions.node.split(".")[0] >= 20')" != true ]; then
    echo "Moss Lantern needs Node 20 or newer (node and npm), which is not on this machine's PATH." >&2; exit 1
  fi
}

# Installs the front end's packages when the lock file is newer than what is installed.
install_front_end() {
  if [ ! -e web/node_modules/.package-lock.json ] || [ web/package-lock.json -nt web/node_modules/.package-lock.json ]; then
    (cd web && npm ci --no-audit --no-fund --loglevel=error) &&
    touch web/node_modules/.package-lock.json
  fi
}

# One compiler for all projects, as each of its own would warm up anew; it is not left behind.
build_dotnet() {
  dotnet build "$@" -c Release -v quiet --nologo -clp:NoSummary -p:UseSharedCompilation=true || return 1
  dotnet build-server shutdown --vbcscompiler >/dev/null 2>&1 &
}

# Compiles the server ahead, out of what was built: it starts in half the time.
compile_ahead() {
  dotnet publish src/MossLantern.Web -c Release --no-build -v quiet --nologo && mark ahead
}

# What the program is built from, as one line: it changes with any file's name, size or time.
sources() {
  find src web Directory.* global.json -type f \
    -not -path '*/bin/*' -not -path '*/obj/*' -not -path '*/wwwroot/*' -not -path '*/node_modules/*' -not -path 'web/dist/*' \
    -not -name '*.tsbuildinfo' -not -path '*/openapi/*' -printf '%p %s %T@\n' 2>/dev/null | LC_ALL=C sort | cksum
}

# Notes that an output (net10.0 or ahead) is of the sources as they are, and asks whether it is.
mark() { sources >"src/MossLantern.Web/bin/Release/$1/.of"; }
is_of_now() { [ "$(cat "src/MossLantern.Web/bin/Release/$1/.of" 2>/dev/null)" = "$(sources)" ]; }

build_front_end() {
  (cd web && npm run --silent build -- --logLevel warn "$@")
}
