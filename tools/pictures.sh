#!/usr/bin/env bash
# Takes the pictures of docs/screenshots/ from the demo household, its clock stopped, in a folder of its own. Run by hand after a view changes, then look at each.
set -euo pipefail
cd "$(dirname "$0")/.."
data=$(mktemp -d /tmp/jolly-pictures-XXXX); chmod 755 "$data"
port=${1:-4179}
JOLLY_DATA="$data/data" JOLLY_NOW_FROZEN=2026-11-24T09:00:00Z ./jolly start --port "$port" >"$data/log" 2>&1 &
trap 'pkill -TERM -P $! 2>/dev/null; kill -TERM $! 2>/dev/null; wait 2>/dev/null; rm -rf "$data"' EXIT
until grep -q "http://" "$data/log"; do
  grep -q "^jolly:" "$data/log" && cat "$data/log" && exit 1
  sleep 1
done
shot() { TSX_TSCONFIG_PATH=tsconfig.json node --no-warnings --import tsx tools/picture.ts "http://127.0.0.1:$port$1" "docs/screenshots/$2.png" "${4:-1280x800}" ${3:+"$3"}; }
batch() { node -e 'const l=require("fs").readFileSync("demo/lock-cottage.jsonl","utf8").trim().split("\n").map(JSON.parse);console.log(l.find(e=>e.body&&e.body.code===process.argv[1]).stream)' "$1"; }
oxymel='wait:300 ;; type:input[role=combobox]::1½ cups hyssop, dried ;; press:Enter ;; type:input[role=combobox]::3 tbsp fennel seed ;; press:Enter ;; wait:900'
shot /bench bench "$oxymel ;; document.activeElement.blur()"
shot /bench bench-ways "$oxymel ;; [...document.querySelectorAll('button')].find(b=>b.textContent==='compare ways').click() ;; wait:600 ;; document.getElementById('drawers').scrollIntoView() ;; wait:300"
shot /bench bench-cautions "wait:300 ;; type:input[role=combobox]::1 cup elderberry, frozen ;; press:Enter ;; select:#lid-choice::metal ;; click:button[aria-label^='Meant for'] ;; wait:400 ;; [...document.querySelectorAll('[role=dialog] label')].find(l=>l.textContent.startsWith('the baby')).querySelector('input').click() ;; press:Escape ;; wait:600 ;; document.activeElement.blur()"
shot / shelf
shot /cellar cellar "click:a[aria-label^='SY-26-01'] ;; wait:700"
shot /standing standing "wait:300 ;; type:#stands-list::fire cider, 1 L jar, since 2 November, garlic, ginger ;; press:Enter ;; type:#stands-list::3 bottles of thyme syrup, 250 mL, made in October, fridge, simmered ;; press:Enter ;; type:#stands-list::hyssop oxymel from my aunt, one bottle, opened last week ;; wait:900"
shot /season season "wait:2500"
shot /stores stores
shot /household household
shot "/batch/$(batch OX-26-02)" batch
tick='press:Space ;; wait:800'
shot "/batch/$(batch OX-26-03)/make" make "wait:300 ;; $tick ;; $tick ;; $tick"
shot "/batch/$(batch FC-26-02)/strain" strain
shot "/batch/$(batch VI-26-02)/finish" finish
shot "/batch/$(batch VI-26-02)/bottle" bottle
shot "/batch/$(batch SY-26-01)/label" labels
shot /cellar lasts "document.getElementById('lasts').scrollIntoView() ;; wait:300"
shot / find "press:/ ;; wait:500 ;; type:[role=dialog] input::what has honey in it ;; wait:900"
shot "/compare?b=$(batch OX-26-01)&b=$(batch OX-26-02)" compare
recipe() { node -e 'const l=require("fs").readFileSync("demo/lock-cottage.jsonl","utf8").trim().split("\n").map(JSON.parse);console.log(l.find(e=>e.kind==="recipe"&&e.type==="written"&&e.body.plan.name.startsWith(process.argv[1])).stream)' "$1"; }
shot "/formulary/$(recipe Hyssop)" formulary "" 1280x900
