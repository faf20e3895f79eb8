# What ./run, ./test and docs/pictures share. Read by bash, not run.

# One compiler for all projects, whatever the machine's settings are: each start of it costs as much as most projects.
export UseSharedCompilation=true

say() { printf '\n== %s\n' "$*"; }

# Runs a command and shows what it printed only where it failed.
quietly() {
  local log
  log=$(mktemp)
  if ! "$@" >"$log" 2>&1; then
    cat "$log" >&2
    rm -f "$log"
    echo "This failed: $*" >&2
    return 1
  fi
  rm -f "$log"
}

need_dotnet() {
  command -v dotnet >/dev/null || { echo "Home Start needs the .NET SDK 10 (https://dot.net); nothing else has to be installed by hand but Node.js 20." >&2; exit 1; }
  command -v npm >/dev/null || { echo "Home Start needs Node.js 20 or later with npm." >&2; exit 1; }
}

# Names in other scripts are read with ICU.
need_icu() {
  if /sbin/ldconfig -p | grep -q libicuuc; then
    return
  fi

  say "Installing ICU"
  install_packages libicu72
}

need_chromium() {
  if [ -x /usr/bin/chromium-headless-shell ] && [ -x /usr/bin/chromedriver ]; then
    return
  fi

  say "Installing Chromium and its driver"
  install_packages chromium-headless-shell chromium-driver
}

# The other two engines: WebKit's small browser with its driver and a screen that nobody sees, and Firefox.
need_engines() {
  if [ -x /usr/bin/WebKitWebDriver ] && [ -x /usr/bin/firefox-esr ] && [ -x /usr/bin/Xvfb ]; then
    return
  fi

  say "Installing WebKit and Firefox"
  install_packages webkit2gtk-driver firefox-esr xvfb
}

# What stands before the application on a server: a test has it pass requests on.
need_nginx() {
  if [ -x /usr/sbin/nginx ]; then
    return
  fi

  say "Installing nginx"
  install_packages nginx-light
}

# A client of name servers that nobody here wrote: a test has it read what the counterpart answers.
need_dig() {
  if [ -x /usr/bin/dig ]; then
    return
  fi

  say "Installing dig"
  install_packages bind9-dnsutils
}

install_packages() {
  local sudo=""
  [ "$(id -u)" -eq 0 ] || sudo=sudo
  quietly $sudo apt-get update
  quietly $sudo env DEBIAN_FRONTEND=noninteractive apt-get install -y "$@"
}

# Node modules, where they are missing or the lock file has changed since.
install_client() {
  local stamp=client/node_modules/.installed-from
  if ! cmp -s client/package-lock.json "$stamp"; then
    say "Installing the client's packages"
    (cd client && quietly npm ci)
    cp client/package-lock.json "$stamp"
  fi
}

# The client, where it was never built or its sources have changed since. Building the host writes the OpenAPI file anew: only the types made from it count.
build_client() {
  install_client
  local page=src/Web/wwwroot/index.html
  if [ ! -f "$page" ] || [ -n "$(find client/src client/public client/index.html client/package-lock.json client/vite.config.ts -newer "$page" ! -name openapi.json -print -quit)" ]; then
    say "Building the client"
    (cd client && quietly npm run build)
  fi
}

# Builds the application for serving, and prints the folder. Compiled ahead it starts in two thirds of the time; where that cannot be had, as usual.
publish_web() {
  local folder=src/Web/bin/served stamp=src/Web/bin/served/.published
  # Nothing has changed since: the tools alone would take seconds to find that out.
  if [ -f "$stamp" ] && [ -z "$(find src docs/offer-book.* Directory.*.props global.json BannedSymbols.txt \( -name bin -o -name obj -o -name wwwroot \) -prune -o -newer "$stamp" -print -quit)" ]; then
    echo "$folder"
    return
  fi

  local begun
  begun=$(mktemp)
  if [ "$(uname -m)" = x86_64 ] && quietly dotnet publish src/Web -c Release -r linux-x64 --self-contained false -p:PublishReadyToRun=true -p:OpenApiGenerateDocuments=false -o "$folder"; then
    touch -r "$begun" "$stamp"
    echo "$folder"
  else
    quietly dotnet build src/Web -c Release -p:OpenApiGenerateDocuments=false
    echo src/Web/bin/Release/net10.0
  fi
  rm -f "$begun"
}

# Fails where a generated file differs from what is committed.
same_as_committed() {
  git diff --exit-code --stat -- "$@" || { echo "Commit these files as they are generated now." >&2; return 1; }
}
