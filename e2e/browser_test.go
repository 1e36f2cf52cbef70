// Package e2e drives the real program in a real browser.
package e2e

import (
	"context"
	"fmt"
	"log/slog"
	"net"
	"net/http"
	"net/http/httptest"
	"os"
	"os/exec"
	"path/filepath"
	"sync"
	"sync/atomic"
	"testing"
	"time"

	"github.com/chromedp/cdproto/cdp"
	"github.com/chromedp/cdproto/emulation"
	"github.com/chromedp/chromedp"
	"github.com/stretchr/testify/require"

	"tendermend/demo"
	"tendermend/internal/pgtest"
	"tendermend/server"
	"tendermend/store"
	"tendermend/web"
)

// atEnd is done when all tests are.
var (
	ends  sync.Mutex
	atEnd []func()
)

func TestMain(m *testing.M) {
	pgtest.Run(m, func() {
		for _, end := range atEnd {
			end()
		}
	})
}

// site is a running server with the store behind it and a clock that the test
// turns.
type site struct {
	URL    string
	Store  *store.Store
	server *httptest.Server
	days   atomic.Int64 // gone by since the day on which all tests begin
}

func (s *site) clock() time.Time { return pgtest.Clock().AddDate(0, 0, int(s.days.Load())) }

// wait lets days go by, on which whoever is signed in came by as well.
func (s *site) wait(t *testing.T, days int) {
	t.Helper()
	s.days.Add(int64(days))
	_, err := s.Store.DB.Exec(`update user_sessions set began_at = began_at + $1 * interval '1 day',
		last_at = last_at + $1 * interval '1 day'`, days)
	require.NoError(t, err)
}

// start serves an empty installation, or the demo clinic, on a port of its own.
func start(t *testing.T, withDemo bool) *site {
	t.Helper()
	_, err := web.Files().Open("index.html")
	require.NoError(t, err, "the front end is not built: run make build first")
	site := &site{}
	if withDemo {
		site.Store = pgtest.Copy(t, "clinic", func(ctx context.Context, s *store.Store) error {
			_, err := demo.Load(ctx, s, pgtest.Today)
			return err
		})
	} else {
		site.Store = pgtest.Store(t)
	}
	site.Store.Clock = site.clock
	o := server.Options{Clock: site.clock, Files: web.Files(), OpenAccounts: true, SignInsPerMinute: 100,
		Log: slog.New(slog.NewTextHandler(os.Stderr, &slog.HandlerOptions{Level: slog.LevelError + 4}))}
	if withDemo {
		o.DemoEmail = demo.Email
	}
	site.server = httptest.NewServer(server.New(site.Store, o))
	site.URL = site.server.URL
	t.Cleanup(site.server.Close)
	return site
}

// stopListening takes the server away from the browser; back gives it back on
// the same address.
func (s *site) stopListening(t *testing.T) (back func()) {
	t.Helper()
	addr, handler := s.server.Listener.Addr().String(), s.server.Config.Handler
	s.server.CloseClientConnections()
	s.server.Close()
	return func() {
		l, err := net.Listen("tcp", addr)
		require.NoError(t, err)
		again := &http.Server{Handler: handler, ReadHeaderTimeout: time.Second}
		go func() { _ = again.Serve(l) }()
		t.Cleanup(func() { _ = again.Close() })
	}
}

func chromium(t *testing.T) string {
	// The one without a window of its own draws no frame, menus or tabs: two thirds of the work.
	for _, name := range []string{"chromium-headless-shell", "chromium", "chromium-browser"} {
		if path, err := exec.LookPath(name); err == nil {
			return path
		}
	}
	t.Fatal("chromium is not installed; on Debian: apt-get install chromium")
	return ""
}

// patience is how long a page may take to come to what is waited for: only a
// failure takes so long, and a busy machine is no failure.
const patience = time.Minute

// glance is how often a page is asked for what is waited for: asked at each of its frames, it draws frames for
// nothing else.
const glance = 50 * time.Millisecond

// launch starts a browser. It ends with the tests.
func launch(t *testing.T, told ...chromedp.ExecAllocatorOption) context.Context {
	t.Helper()
	folder, err := os.MkdirTemp("", "tendermend-browser-")
	require.NoError(t, err)
	options := append(chromedp.DefaultExecAllocatorOptions[:],
		chromedp.ExecPath(chromium(t)), chromedp.NoSandbox, chromedp.DisableGPU,
		chromedp.Flag("disable-quic", true), chromedp.Flag("disable-component-update", true),
		chromedp.UserDataDir(folder))
	allocator, cancelAllocator := chromedp.NewExecAllocator(context.Background(), append(options, told...)...)
	ctx, cancel := chromedp.NewContext(allocator)
	// The browser lives as long as the context it is first used with.
	require.NoError(t, chromedp.Do(ctx), "starting chromium")
	ends.Lock()
	defer ends.Unlock()
	atEnd = append(atEnd, func() { cancel(); cancelAllocator(); _ = os.RemoveAll(folder) })
	return ctx
}

// one is the browser that all tests share, each in windows that know nothing of the others': starting one for each
// takes longer than most of what is done in it.
var one struct {
	sync.Mutex
	browser context.Context
}

func shared(t *testing.T) context.Context {
	t.Helper()
	one.Lock()
	defer one.Unlock()
	if one.browser == nil {
		one.browser = launch(t)
	}
	return one.browser
}

// page opens a browser window of the size on the site, with what else its browser is told.
func (s *site) page(t *testing.T, width, height int64, told ...chromedp.ExecAllocatorOption) *page {
	t.Helper()
	browser, own := context.Context(nil), []chromedp.ContextOption{chromedp.WithNewBrowserContext()}
	if len(told) == 0 {
		browser = shared(t)
	} else {
		browser, own = launch(t, told...), nil
	}
	ctx, cancel := chromedp.NewContext(browser, own...)
	ctx, cancelTime := context.WithTimeout(ctx, 6*time.Minute)
	t.Cleanup(func() { cancelTime(); cancel() })
	require.NoError(t, chromedp.Do(ctx), "opening a window")
	p := &page{t: t, ctx: ctx, url: s.URL}
	p.run(chromedp.EmulateViewport(width, height))
	p.prefer("prefers-reduced-motion", "reduce")
	return p
}

// page is a browser window with the few things the tests do in it.
type page struct {
	t   *testing.T
	ctx context.Context
	url string
}

// prefer sets a media feature, as the person's system would.
func (p *page) prefer(feature, value string) {
	p.t.Helper()
	p.run(chromedp.Func(func(ctx context.Context, t *chromedp.Target) error {
		_, err := cdp.Call(
			ctx,
			t,
			emulation.SetEmulatedMedia,
			emulation.SetEmulatedMediaParams{Features: []*emulation.MediaFeature{{Name: feature, Value: value}}},
		)
		return err
	}))
}

func (p *page) run(actions ...chromedp.Action[chromedp.Void]) {
	p.t.Helper()
	ctx, cancel := context.WithTimeout(p.ctx, 2*patience)
	defer cancel()
	if err := chromedp.Do(ctx, actions...); err != nil {
		text, _ := chromedp.Run(p.ctx, chromedp.Evaluate[string](`document.body.innerText.slice(-700)`))
		p.shot(filepath.Join(os.TempDir(), "tendermend-failed.png"))
		require.NoError(p.t, err, "the page says:\n%s", text)
	}
}

func (p *page) open(path string) { p.t.Helper(); p.run(chromedp.Navigate(p.url + path)) }

// by finds an element by its accessible role's usual tag and its words.
func by(tag, words string) string {
	return fmt.Sprintf(`//%s[contains(normalize-space(.), %q) or contains(@aria-label, %q)]`, tag, words, words)
}

// click clicks what the path finds once it rests, can be pressed and nothing lies over it: a
// list that has just opened still moves, type that comes late moves all of it, even out of
// the window, a notice may cover a button, and a row that comes into sight takes no click before
// it is drawn. What moved away under the click is clicked again.
func (p *page) click(xpath string) {
	p.t.Helper()
	for landed := false; !landed; {
		p.run(chromedp.WaitVisible(xpath), chromedp.ScrollIntoView(xpath))
		p.until(fmt.Sprintf(`(() => {
			const e = document.evaluate(%q, document, null, XPathResult.FIRST_ORDERED_NODE_TYPE).singleNodeValue;
			if (!e) return false;
			const r = e.getClientRects()[0] ?? e.getBoundingClientRect(), at = [r.x, r.y, r.width, r.height].join();
			e.dataset.rested = e.dataset.restsAt === at ? 1 + Number(e.dataset.rested ?? 0) : 0;
			e.dataset.restsAt = at;
			const rests = Number(e.dataset.rested) >= 2 && document.fonts.status === "loaded" && !e.disabled;
			const hit = document.elementFromPoint(r.x + r.width / 2, r.y + r.height / 2);
			if (!hit) e.scrollIntoView({ block: "center" });
			const meant = (x) => e.contains(x) || x.closest("label, svg") !== null;
			if (!rests || hit === null || !meant(hit)) return false;
			window.landed = false;
			addEventListener("click", (c) => { window.landed = meant(c.target); }, { capture: true, once: true });
			return true;
		})()`, xpath))
		p.run(chromedp.Click(xpath, chromedp.NodeVisible))
		missed, err := chromedp.Run(p.ctx, chromedp.Evaluate[bool](`window.landed === false`))
		landed = err != nil || !missed // a page that went away was clicked
	}
}

// choose picks an option of the list that a field has just opened, and sees that
// the list went away over it.
func (p *page) choose(option string) {
	p.t.Helper()
	p.click(option)
	p.until(fmt.Sprintf(`(() => {
		const e = document.evaluate(%q, document, null, XPathResult.FIRST_ORDERED_NODE_TYPE).singleNodeValue;
		return !e || e.getClientRects().length === 0 || e.getAttribute("aria-selected") === "true";
	})()`, option))
}

// touch chooses a part of the figure by its label.
func (p *page) touch(zone string) {
	p.t.Helper()
	p.click(fmt.Sprintf(`//*[@data-zone=%q]/*[name()="text"][1]`, zone))
}

// tickOnly accepts one cause and no other.
func (p *page) tickOnly(cause string) {
	p.t.Helper()
	p.until(fmt.Sprintf(`(() => {
		for (const box of document.querySelectorAll("[data-cause] input")) {
			const wanted = box.closest("[data-cause]").dataset.cause === %q
			if (box.checked !== wanted) { box.click(); return false }
		}
		return true
	})()`, cause))
}

// see waits until the page shows the words.
func (p *page) see(words string) {
	p.t.Helper()
	p.until(fmt.Sprintf(`document.body.innerText.toLowerCase().includes(%q.toLowerCase())`, words))
}

// lists waits until the page holds the words, in sight or further down: what is far down is drawn
// when one comes near it.
func (p *page) lists(words string) {
	p.t.Helper()
	p.until(fmt.Sprintf(`document.getElementById("root").textContent.includes(%q)`, words))
}

// until waits for a condition on the page.
func (p *page) until(condition string) {
	p.t.Helper()
	p.run(chromedp.Func(func(ctx context.Context, t *chromedp.Target) error {
		_, err := chromedp.Poll[bool](condition, chromedp.WithPollingTimeout(patience),
			chromedp.WithPollingInterval(glance))(ctx, t)
		return err
	}))
}

// hides waits until the page no longer shows the words.
func (p *page) hides(words string) {
	p.t.Helper()
	p.until(fmt.Sprintf(`!document.body.innerText.toLowerCase().includes(%q.toLowerCase())`, words))
}

// openDemo signs in to the demo clinic and opens a path of it.
func (p *page) openDemo(path string) {
	p.t.Helper()
	p.open("/")
	p.click(by("button", "Look round the demo clinic"))
	p.see("Today’s walk")
	p.open(path)
	if path == "/" {
		p.openAll()
	}
}

// openAll opens what is folded on the walk.
func (p *page) openAll() {
	p.t.Helper()
	p.until(`document.querySelector('[data-testid=stop]') !== null`)
	p.run(script(`document.querySelectorAll('main details').forEach((d) => { d.open = true; })`))
}

// fill types into the field of a label, in place of what is there.
func (p *page) fill(label, value string) {
	p.t.Helper()
	field := fmt.Sprintf(`//*[@id=(//label[starts-with(normalize-space(.), %q)]/@for)]`, label)
	p.run(chromedp.WaitVisible(field), chromedp.ScrollIntoView(field), chromedp.Click(field),
		// A field with a unit sets its caret a moment after the click.
		chromedp.Sleep(60*time.Millisecond), script(`document.activeElement.select?.()`), chromedp.KeyEvent(value))
}

// script runs on the page for what it does, not for what it gives.
func script(text string) chromedp.Action[chromedp.Void] {
	return chromedp.Func(func(ctx context.Context, t *chromedp.Target) error {
		_, err := chromedp.Evaluate[any](text+"; null")(ctx, t)
		return err
	})
}

// eval gives what a script on the page comes to.
func eval[T any](p *page, script string) T {
	p.t.Helper()
	ctx, cancel := context.WithTimeout(p.ctx, 2*patience)
	defer cancel()
	v, err := chromedp.Run(ctx, chromedp.Evaluate[T](script))
	require.NoError(p.t, err)
	return v
}

func (p *page) shot(file string) {
	if png, err := chromedp.Run(p.ctx, chromedp.CaptureScreenshot()); err == nil {
		_ = os.WriteFile(file, png, 0o644)
	}
}
