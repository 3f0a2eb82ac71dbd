# Shared by ./phalanx and ./check: finds what the machine lacks, installs it where that is allowed, else names it.

# need_packages COMMAND-OR-LIBRARY:PACKAGE ...
need_packages() {
    missing=""
    for pair in "$@"; do
        thing=${pair%%:*}
        package=${pair##*:}
        case "$thing" in
            *.so.*) ldconfig -p 2>/dev/null | grep -q "$thing" || missing="$missing $package" ;;
            *) command -v "$thing" >/dev/null 2>&1 || missing="$missing $package" ;;
        esac
    done
    [ -z "$missing" ] && return 0
    if [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null 2>&1; then
        echo "phalanx: installing$missing" >&2
        if apt-get update -qq >&2 && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends $missing >&2; then
            return 0
        fi
    fi
    echo "phalanx: this machine lacks$missing. On Debian: sudo apt-get install -y --no-install-recommends$missing" >&2
    return 1
}

need_build_tools() {
    need_packages javac:openjdk-17-jdk mvn:maven
}

need_window_libraries() {
    need_packages libgtk-3.so.0:libgtk-3-0 libXtst.so.6:libxtst6
}

need_virtual_display() {
    need_packages xvfb-run:xvfb xauth:xauth
}
