package server

import (
	"context"
	"fmt"
	"time"

	"github.com/wneessen/go-mail"
)

// Mail sends a letter.
type Mail interface {
	Send(ctx context.Context, to, subject, text string) error
}

// SMTP sends letters through a mail server.
type SMTP struct {
	Host           string
	Port           int
	From           string
	User, Password string // empty where the server asks for neither
	// Plain sends without TLS: for a server on the same machine, and for tests.
	Plain bool
}

// sendsWithin is how long a letter may take.
const sendsWithin = 15 * time.Second

// Send sends a letter.
func (s SMTP) Send(ctx context.Context, to, subject, text string) error {
	letter := mail.NewMsg()
	if err := letter.From(s.From); err != nil {
		return fmt.Errorf("a letter from %s: %w", s.From, err)
	}
	if err := letter.To(to); err != nil {
		return fmt.Errorf("a letter: %w", err)
	}
	letter.Subject(subject)
	letter.SetBodyString(mail.TypeTextPlain, text)
	options := []mail.Option{mail.WithPort(s.Port), mail.WithTimeout(sendsWithin), mail.WithTLSPolicy(mail.TLSMandatory)}
	if s.Plain {
		options = append(options, mail.WithTLSPolicy(mail.NoTLS))
	}
	if s.User != "" {
		options = append(options, mail.WithSMTPAuth(mail.SMTPAuthAutoDiscover), mail.WithUsername(s.User),
			mail.WithPassword(s.Password))
	}
	client, err := mail.NewClient(s.Host, options...)
	if err != nil {
		return fmt.Errorf("the mail server: %w", err)
	}
	if err := client.DialAndSendWithContext(ctx, letter); err != nil {
		return fmt.Errorf("sending a letter: %w", err)
	}
	return nil
}
