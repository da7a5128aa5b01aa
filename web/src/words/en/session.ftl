### What an owner reads: session.

## SignInForm
sign-in-form-email = Email
sign-in-form-password = Password
sign-in-form-sign = Sign in

## SignInOver
sign-in-over-steps-wait = { $waiting ->
    [one] 1 step waits
   *[other] { $waiting } steps wait
}
sign-in-over-you-now = You are { $other } now
sign-in-over-sign-again = Sign in again
sign-in-over-will-sent-when-signs = { $waiting } and will be sent when { $owner } signs in here again.
sign-in-over-was-work-here-view = { $owner } was at work here. { $waiting } The view begins anew for you.
sign-in-over-will-sent-then = ; { $waiting } and will be sent then
sign-in-over-your-session-has-ended = Your session has ended, { $owner }. Everything stands as you left it{ $waiting }.
sign-in-over-sign = Sign in as { $owner }
sign-in-over-go = Go on as { $other }

## SignInView
sign-in-view-compagina = Compagina
sign-in-view-sign-your-workshop = Sign in to your workshop

## useJournal
journal-taken-back = Taken back
journal-made-again = Made again

## useOutbox
outbox-server-gave-no-reason = The server gave no reason.
outbox-more-than-day-old = It is more than a day old and may have been taken already. Look at how it is now.
