# How both launchers run the client. Long answers for people go through a pager, which shows short ones as they are;
# CHOIR_PAGER names another, or says "off".

# $1 the client's jar, then java's own words up to --, then what was typed
client() {
  local cli=$1 pager=${CHOIR_PAGER:-less} flags=()
  shift
  while [ "$1" != -- ]; do
    flags+=("$1")
    shift
  done
  shift
  if [ -t 1 ] && [ -z "${COLUMNS:-}" ]; then
    COLUMNS=$(tput cols 2>/dev/null || echo 100)
    export COLUMNS
  fi
  if [ -t 0 ] && [ -t 1 ] && [ "$pager" != off ] && reads "$@" && command -v "$pager" >/dev/null; then
    set +e
    "${flags[@]}" -Dpicocli.ansi=true -jar "$cli" "$@" | LESS=${LESS:-FRX} "$pager"
    exit "${PIPESTATUS[0]}"
  fi
  exec "${flags[@]}" -jar "$cli" "$@"
}

# Commands that only tell, and ask nothing.
reads() {
  case " $* " in *" --format "* | *" --format="* | *" --out "* | *" --help "* | *" -h "*) return 1 ;; esac
  case "${2:-}" in list | show | groups | history | calendar | timeline) return 0 ;; esac
  case "${1:-}" in explain | preview | survey | report | recorded | forecast | inbox | journal) return 0 ;; esac
  return 1
}
