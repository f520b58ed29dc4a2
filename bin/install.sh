#!/usr/bin/env bash
# Installs what is missing: Debian packages (as root, or through sudo) and npm packages. Sourced by the other commands;
# those that test or measure say WANT_TESTS=yes, and get a browser and the packages for development as well.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."

install_npm_packages() {
  local mark=node_modules/.stencilcraft-lock kinds=(--omit=dev)
  # Who has tested once is not left without the means when packages change.
  if [ "${WANT_TESTS:-no}" = yes ] || [ -e "$mark-tests" ]; then mark=$mark-tests kinds=(); fi
  if [ -e "$mark" ] && cmp -s package-lock.json "$mark"; then return; fi
  echo "Installing npm packages …" >&2
  # Not `npm ci`: it insists on optional packages of other systems, which not every registry carries.
  npm install --no-save --no-audit --no-fund --loglevel=error ${kinds[@]+"${kinds[@]}"} >&2
  cp package-lock.json "$mark"
}
# Beside the others: one waits for the network while the other unpacks.
install_npm_packages &
npm_packages=$!
trap 'kill "$npm_packages" 2>/dev/null || true' EXIT

missing=()
command -v ffmpeg >/dev/null && command -v ffprobe >/dev/null || missing+=(ffmpeg)
compgen -G '/usr/lib/postgresql/*/bin/initdb' >/dev/null || missing+=(postgresql)
[ "${WANT_TESTS:-no}" = yes ] && ! command -v chromium-headless-shell >/dev/null && missing+=(chromium-headless-shell)
command -v espeak-ng >/dev/null || missing+=(espeak-ng)
command -v runuser >/dev/null || missing+=(util-linux)
[ "${WANT_TESTS:-no}" = yes ] && ! command -v ps >/dev/null && missing+=(procps)
if [ ${#missing[@]} -gt 0 ]; then
  echo "Installing ${missing[*]} …" >&2
  as_root=; [ "$(id -u)" = 0 ] || as_root=sudo
  $as_root apt-get update -qq >&2
  if [[ " ${missing[*]} " == *" postgresql "* ]]; then
    # A private cluster is made later; Debian's package need neither make nor start one.
    DEBIAN_FRONTEND=noninteractive $as_root apt-get install -y -qq --no-install-recommends postgresql-common >/dev/null
    $as_root sed -i -E 's/^#? ?create_main_cluster.*/create_main_cluster = false/' /etc/postgresql-common/createcluster.conf
  fi
  DEBIAN_FRONTEND=noninteractive $as_root apt-get install -y -qq --no-install-recommends "${missing[@]}" >/dev/null
fi
wait "$npm_packages"
trap - EXIT
# Frames are large buffers that come and go (see docs/decisions/huge-pages-for-frames.md).
export GLIBC_TUNABLES="${GLIBC_TUNABLES:-glibc.malloc.hugetlb=1:glibc.malloc.mmap_threshold=4194304}"
