# Prints what would start a household after the machine itself starts: a unit for systemd, to be looked at and put in by hand. Sourced by tools/lib.sh.

print_unit() {
  local household=demo house=() port=()
  while [ $# -gt 0 ]; do case "$1" in
    --household) household=${2:?a name is wanted after --household}; shift 2 ;;
    --house) house=(--house); shift ;;
    --port) port=(--port "${2:?a number is wanted after --port}"); shift 2 ;;
    *) die "unit knows --household NAME, --house and --port N." ;;
  esac; done
  household_named "$household"
  # A unit has words of its own for a sign of per cent, and takes a name with a space for two.
  case "$here$(data_home)" in *[[:space:]%\"\\]*) die "systemd cannot be told of a folder with a space, a quotation mark, a backslash or a per cent sign in its name: $here, $(data_home)." ;; esac
  cat <<T
# Put it where systemd looks, and have it started with the machine:
#   ./jolly unit --household $household${house:+ --house} | sudo tee /etc/systemd/system/jolly-crock-$household.service
#   sudo systemctl enable --now jolly-crock-$household
[Unit]
Description=Jolly Crock, household $household
Wants=network-online.target
After=network-online.target

[Service]
User=$(id -un)
WorkingDirectory=$here
Environment=JOLLY_DATA=$(data_home)
Environment=PATH=$(dirname "$(command -v node)"):/usr/local/bin:/usr/bin:/bin
ExecStart=$here/jolly start --household $household${house:+ ${house[*]}}${port:+ ${port[*]}}
KillSignal=SIGINT
TimeoutStopSec=60
Restart=on-failure
RestartSec=5

[Install]
WantedBy=multi-user.target
T
}
