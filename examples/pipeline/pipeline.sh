#!/usr/bin/env bash
# A pipeline for a repository with a package of definitions. It needs a server's address in JONTREL_SERVER, and a token with
# the rights draft, release, plan and run in JONTREL_TOKEN_FILE or JONTREL_TOKEN. No secret stands on a command line.
#
#   pipeline.sh review FOLDER COMMENT   for a proposed change: checks it, and writes what to say about it into COMMENT
#   pipeline.sh deliver FOLDER          for what was taken in: releases it, and brings it to the sites one after another
#
# The first of SITES is where things are tried; nothing comes to the next before it went well there.
set -euo pipefail
jontrel=${JONTREL:-jontrel}
read -r -a sites <<<"${SITES:-trial towpath}"

# Code 3 of a plan says that it asks something: a reviewer is to see what, and to add the answers to migrations/.
review() {
  local folder=$1 comment=$2 code=0 asked=0 released
  "$jontrel" check "$folder"
  released=$(mktemp -d)
  "$jontrel" pull "$released" --release latest >/dev/null
  {
    "$jontrel" compare "$released" "$folder" --markdown || [ $? -eq 1 ]
    for site in "${sites[@]}"; do
      printf '\n'
      code=0
      "$jontrel" plan "$site" "$folder" --markdown || code=$?
      case $code in
        0) ;;
        3) asked=3 ;;
        *) return "$code" ;;
      esac
    done
  } >"$comment"
  rm -rf "$released"
  return "$asked"
}

deliver() {
  local folder=$1
  "$jontrel" check "$folder"
  for site in "${sites[@]}"; do
    "$jontrel" plan "$site" "$folder" >/dev/null
  done
  "$jontrel" push "$folder"
  "$jontrel" release "$folder" --notes "${NOTES:-}"
  for site in "${sites[@]}"; do
    "$jontrel" plan "$site" >/dev/null
    "$jontrel" run "$site"
  done
}

case "${1:-}" in
  review) review "$2" "$3" ;;
  deliver) deliver "$2" ;;
  *)
    echo "Usage: pipeline.sh review FOLDER COMMENT | deliver FOLDER" >&2
    exit 2
    ;;
esac
