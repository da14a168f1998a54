/*
 * The two pages the front has of its own: the one at the door, and the one that hands out the authority's certificate. Plain HTML without a script, since
 * none of the app's code is shown to strangers.
 */
const escaped = (text: string): string => text.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);

const STYLE = `
:root { color-scheme: light dark; --ground: #d9d6cf; --paper: #f7f6f2; --iron: #1f2125; --cobalt: #1b3a94; --on: #fff; --rust: #8f2d1f; }
@media (prefers-color-scheme: dark) { :root { --ground: #1b1d21; --paper: #26292f; --iron: #e9e6df; --cobalt: #a9bdf5; --on: #14181f; --rust: #f0a494; } }
* { box-sizing: border-box; }
body { margin: 0; background: var(--ground); color: var(--iron); font: 1.125rem/1.5 system-ui, sans-serif; }
main { max-width: 34rem; margin: 0 auto; padding: 1.5rem 1rem 3rem; }
h1 { font-size: 1.75rem; line-height: 1.2; border-bottom: 8px solid var(--iron); padding-bottom: .5rem; }
label { display: block; padding-top: 1rem; }
input { width: 100%; min-height: 48px; font: inherit; padding: .5rem .625rem; border: 1px solid var(--iron); background: var(--paper); color: inherit; }
button, .slab { display: inline-block; margin-top: 1.25rem; min-height: 52px; padding: .75rem 1.5rem; font: inherit; font-weight: 600; border: 0; background: var(--cobalt); color: var(--on); text-decoration: none; }
code { overflow-wrap: anywhere; background: var(--paper); padding: .1rem .3rem; }
li { padding-bottom: .5rem; }
[role=alert] { color: var(--rust); font-weight: 600; }`;

export const POLICY =
  "default-src 'none'; style-src 'unsafe-inline'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'";

const page = (title: string, body: string): string =>
  `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1"><title>${escaped(title)}</title><style>${STYLE}</style></head><body><main>${body}</main></body></html>`;

export interface AtTheDoor {
  readonly household: string;
  /** Whether a keeper holds the door open now. */
  readonly open: boolean;
  readonly wrong?: string | undefined;
  readonly name?: string | undefined;
}

/** What a stranger sees, whatever they asked for. */
export function doorPage({ household, open, wrong, name }: AtTheDoor): string {
  const alert = wrong ? `<p role="alert" id="wrong">${escaped(wrong)}</p>` : "";
  const ask = `
    <p>Say the phrase of this house, and what this device is called here.</p>
    <form method="post" action="/let-in">
      <label for="phrase">five words</label>
      <input id="phrase" name="phrase" autocapitalize="none" autocomplete="off" spellcheck="false" required maxlength="200"${wrong ? ' aria-describedby="wrong" aria-invalid="true"' : ""}>
      <label for="name">this device</label>
      <input id="name" name="name" placeholder="tablet by the stove" autocomplete="off" required maxlength="60" value="${escaped(name ?? "")}">
      <button type="submit">let me in</button>
    </form>`;
  const shut = `
    <p>The door is shut. Whoever keeps this house opens it on the machine it runs on: the household’s page, <em>let a device in</em>. Then come here again.</p>
    <p><a class="slab" href="/">look again</a></p>`;
  return page(`${household}: who is it?`, `<h1>${escaped(household)}</h1>${alert}${open ? ask : shut}`);
}

/** Told to a device that is kept and asked for what is a keeper's. */
export const keepersPage = (household: string): string =>
  page(
    "A keeper’s",
    `<h1>${escaped(household)}</h1><p>This is for a keeper of the house. Ask on the machine it runs on.</p><p><a class="slab" href="/">to the shelf</a></p>`,
  );

/** How the authority's certificate is taken in, and the way on. */
export function certificatePage(c: {
  readonly household: string;
  readonly fingerprint: string;
  readonly way: readonly string[];
}): string {
  const ways = c.way.map((w) => `<li><a href="${escaped(w)}">${escaped(w)}</a></li>`).join("");
  return page(
    `${c.household}: its certificate`,
    `<h1>${escaped(c.household)}</h1>
    <p>This house vouches for itself. Take its certificate in once, and this device knows it from then on.</p>
    <p><a class="slab" href="/jolly-crock.crt">take the certificate</a></p>
    <p>Before you say yes, compare the SHA-256 fingerprint your device shows with the one on the <strong>house’s own screen</strong>, letter by letter. If they differ, say no: someone stands between.</p>
    <ul>
      <li><strong>Telephone or tablet, Android:</strong> Settings, Security, Install a certificate, CA certificate; choose the file.</li>
      <li><strong>Telephone or tablet, iOS:</strong> open the file, then Settings, Profile downloaded, Install; then General, About, Certificate trust, and switch it on.</li>
      <li><strong>Laptop:</strong> in the browser’s settings look for certificates, authorities, import; trust it for web pages.</li>
    </ul>
    <p>It can vouch for private addresses and .local names only. Tried here with Chromium alone.</p>
    <h2>Then go on to</h2><ul>${ways}</ul>`,
  );
}
