/** What the page that pairs a device needs to know. */
interface PairPage {
  readonly nonce: string
  /** it came over https: the device trusts this machine already */ readonly secure: boolean
  /** where it is paired */ readonly address: string
  /** of the authority; none where a certificate of its own is in use */ readonly fingerprint?: string
}

const STYLE = `
:root{color-scheme:light;--paper:#f4eede;--ink:#14303a;--soft:#47606a;--float:#c8401f;--hair:#cbbf9f}
*{box-sizing:border-box}
body{margin:0 auto;max-width:34rem;padding:16px 18px 40px;background:var(--paper);color:var(--ink);font:18px/1.4 system-ui,sans-serif}
h1{font-size:26px;margin:6px 0 2px}h2{font-size:20px;margin:26px 0 6px;border-top:2px solid var(--ink);padding-top:10px}
p{margin:6px 0}ol{padding-left:1.3em;margin:8px 0}li{margin:10px 0}
svg{display:block;width:150px;height:92px;margin:6px 0;stroke:var(--ink);fill:none;stroke-width:2}
svg .mark{stroke:var(--float);fill:var(--float)}
code{font:600 16px/1.5 ui-monospace,monospace;letter-spacing:.03em;overflow-wrap:anywhere}
label{display:block;margin:12px 0 4px;color:var(--soft)}
input{width:100%;height:56px;font-size:22px;padding:0 12px;border:2px solid var(--ink);background:#fff;color:var(--ink)}
input[name=code]{letter-spacing:.14em;text-transform:uppercase}
button,.go{display:block;width:100%;min-height:60px;margin:14px 0;font-size:20px;font-weight:600;border:2px solid var(--ink);background:var(--ink);color:var(--paper);text-align:center;line-height:56px;text-decoration:none}
.go.plain{background:transparent;color:var(--ink)}
[role=alert]{color:#8a1f10;font-weight:600}.soft{color:var(--soft)}details summary{min-height:48px;line-height:48px;cursor:pointer;text-decoration:underline}
`

/** A phone with what is to be pressed marked: a row of a list, a switch, or a file. */
const pictured = (what: string, inside: string): string =>
  `<svg viewBox="0 0 150 92" role="img" aria-label="${what}"><rect x="40" y="2" width="70" height="88" rx="9"/>${inside}</svg>`
const ROW = (y: number): string => `<path d="M50 ${y}h50"/>`
const LIST = `${ROW(22)}${ROW(40)}${ROW(76)}<rect class="mark" x="50" y="52" width="50" height="12" fill-opacity=".25"/>`
const SWITCH = `${ROW(22)}${ROW(40)}<rect class="mark" x="76" y="54" width="24" height="13" rx="6.5" fill-opacity=".25"/><circle class="mark" cx="93" cy="60.5" r="4"/>`
const FILE = `<path d="M62 18h18l10 10v34H62z"/><path class="mark" d="M76 66v14m-6-6 6 6 6-6" fill="none"/>`

const STEPS = `
<p><a class="go plain" href="/pair/authority.crt">1. Load the certificate</a></p>
<details open><summary>On a phone that speaks of profiles</summary><ol>
<li>${pictured('A file is loaded', FILE)}Allow the file to be loaded. The phone says that a profile was loaded.</li>
<li>${pictured('A row in the settings', LIST)}In the settings, near the top, open the profile that was loaded and install it.</li>
<li>${pictured('A switch that is on', SWITCH)}In the settings: general, about, certificate trust: switch it on for “Dunecrest at home”.</li>
</ol></details>
<details><summary>On a phone that speaks of credentials</summary><ol>
<li>${pictured('A file is loaded', FILE)}Let the file be kept. The phone may warn: it is your own file.</li>
<li>${pictured('A row in the settings', LIST)}In the settings, search for “certificate”: install a CA certificate, install anyway.</li>
<li>${pictured('A file is chosen', FILE)}Choose the file “dunecrest-authority”.</li>
</ol></details>`

const FORM = `
<form id="pair"><label for="code">code on the other machine</label><input id="code" name="code" autocomplete="one-time-code" autocapitalize="characters" spellcheck="false" maxlength="12" required>
<label for="name">what this device is called</label><input id="name" name="name" maxlength="60" value="my phone" required>
<p id="said" role="alert"></p><button>Pair this device</button></form>`

const PAIRING = `
const form=document.getElementById('pair'),said=document.getElementById('said');
const code=new URLSearchParams(location.hash.slice(1)).get('code');
if(code){form.code.value=code;history.replaceState(null,'',location.pathname);form.name.select()}
form.addEventListener('submit',async event=>{event.preventDefault();said.textContent='';
 try{const answer=await fetch('/pair',{method:'POST',headers:{'content-type':'application/json'},body:JSON.stringify({code:form.code.value,name:form.name.value})});
  if(answer.ok){location.replace('/');return}
  said.textContent=(await answer.json()).message}
 catch{said.textContent='The other machine does not answer. Is this device on the same network?'}})`

const TRUSTING = (address: string): string => `
const go=document.getElementById('go');go.href=${JSON.stringify(address)}+location.hash;
const look=async()=>{try{await fetch(${JSON.stringify(address)},{mode:'no-cors',cache:'no-store'});location.replace(go.href)}catch{setTimeout(look,2000)}};look()`

/**
 * The one page that a device sees before it is paired, whole in itself: over plain http how to trust this machine,
 * over https where the code is given.
 */
export function pairPage({ nonce, secure, address, fingerprint }: PairPage): string {
  const trust = fingerprint
    ? `<h2>Trust the other machine</h2>
<p>Phones keep pages without a connection only from a machine that they trust. The certificate is your own; it can vouch for your network at home and nothing else.</p>
${STEPS}
<p class="soft">Its fingerprint begins <code>${fingerprint}</code>: the same stands on the other machine. If it does not, stop here.</p>`
    : ''
  const body = secure
    ? `<h1>Pair this device</h1><p>With Dunecrest on the other machine: once, then it needs nothing.</p>${FORM}<script nonce="${nonce}">${PAIRING}</script>`
    : `<h1>Take Dunecrest to the bank</h1>${trust}
<h2>Then go on</h2><p id="wait" class="soft" role="status">This page goes on by itself as soon as the other machine is trusted.</p>
<a class="go" id="go" href="${address}">Go on</a><script nonce="${nonce}">${TRUSTING(address)}</script>`
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1"><title>Pair · Dunecrest</title><style nonce="${nonce}">${STYLE}</style></head><body><main>${body}</main></body></html>`
}
