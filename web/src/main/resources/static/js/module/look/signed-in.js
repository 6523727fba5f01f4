// Signing in again without leaving the page, so that nothing of what it holds is lost.

const parsed = async (answer) =>
  new DOMParser().parseFromString(await answer.text(), "text/html").querySelector("meta[name=_csrf]")?.content;

export const token = () => document.querySelector("meta[name=_csrf]").content;

// Whether one is signed in, in this tab or another; the page then has the token of the new session.
export const renewed = async () => {
  const answer = await fetch(location.pathname, { headers: { Accept: "text/html" } }).catch(() => null);
  if (!answer?.ok || answer.redirected) return false;
  const fresh = await parsed(answer);
  if (fresh) document.querySelector("meta[name=_csrf]").content = fresh;
  return Boolean(fresh);
};

// Signs in with what a form holds.
export const signIn = async (form) => {
  const page = await fetch(form.action, { headers: { Accept: "text/html" } }).catch(() => null);
  if (!page?.ok) return false;
  const body = new URLSearchParams(new FormData(form));
  body.set("_csrf", (await parsed(page)) ?? "");
  const answer = await fetch(form.action, { method: "POST", body }).catch(() => null);
  return Boolean(answer) && !new URL(answer.url).pathname.endsWith(new URL(form.action).pathname) && renewed();
};

// Shows the form until somebody is signed in, here or in another tab, and then goes on.
export const askToSignIn = (form, goOn) => {
  form.hidden = false;
  form.querySelector("input").focus();
  const done = () => {
    form.hidden = true;
    form.reset();
    window.removeEventListener("focus", elsewhere);
    form.onsubmit = null;
    goOn();
  };
  const elsewhere = async () => {
    if (!form.hidden && (await renewed())) done();
  };
  window.addEventListener("focus", elsewhere);
  form.onsubmit = async (event) => {
    event.preventDefault();
    const good = await signIn(form);
    form.querySelector("[data-part=sign-in-wrong]").hidden = good;
    if (good) done();
  };
};
