package server

import (
	"context"
	"fmt"

	"tendermend/store"
)

// tell notes in the log what was done to an account, or tried: who, from where, never a
// password, a code or a link.
func (srv *server) tell(ctx context.Context, what string, about ...any) {
	if srv.Log == nil {
		return
	}
	from, _ := ctx.Value(callerKey{}).(string)
	srv.Log.InfoContext(ctx, what, append([]any{"from", from, "request", requestID(ctx)}, about...)...)
}

// letKnow tells the log, and by letter the owner, that something was changed with which
// they get in: who did not do it themselves learns of it.
func (srv *server) letKnow(ctx context.Context, user store.User, what string) {
	srv.tell(ctx, what, "user", user.ID)
	if srv.Mail == nil {
		return
	}
	const text = "%s,\n\nof your account at Tender Mend: %s.\n\nIf it was not you, set a new password at once " +
		"(\"I lost my password\" at the sign-in) and look through the places where you are signed in.\n"
	go srv.send(user.Email, "Your account was changed", fmt.Sprintf(text, user.Name, what))
}

// send sends a letter; that it could not be is said in the log.
func (srv *server) send(to, subject, text string) {
	ctx, cancel := context.WithTimeout(context.Background(), sendsWithin)
	defer cancel()
	if err := srv.Mail.Send(ctx, to, subject, text); err != nil {
		srv.logError(ctx, "a letter could not be sent", err)
	}
}
