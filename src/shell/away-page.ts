/** What is shown for a page that this device does not keep, while the house is away: it comes back by itself, and nobody meets the browser's own error page. */
export const AWAY = `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>Away · Jolly Crock</title>
<style>
body{margin:0;background:#d9d6cf;color:#1f2125;font:16px/1.4 "Atkinson Hyperlegible Next Variable","Atkinson Hyperlegible Next",sans-serif}
header{border-bottom:3px solid #1c3d94;padding:14px 32px;color:#1c3d94;font-weight:700;text-transform:uppercase}
main{padding:32px;max-width:28rem} h1{font-size:1.625rem;margin:0 0 12px}
button{background:#1c3d94;color:#fff;border:0;font:inherit;font-weight:600;padding:12px 24px;min-height:46px;cursor:pointer}
</style></head><body><header>Jolly Crock</header><main role="alert"><h1>The kitchen’s server is away</h1>
<p>Nothing is lost: what was written stays written, and what you were typing is kept in this browser. Start it again with
<strong>./jolly start</strong>; this page comes back by itself.</p><p><button type="button">Try again</button></p></main>
<script>
const back = () => fetch("/api/health", { cache: "no-store" }).then((r) => r.ok && location.reload(), () => undefined);
document.querySelector("button").addEventListener("click", () => location.reload());
setInterval(back, 1500);
</script></body></html>`;
