### What an owner reads: api.

## client
client-server-doesnt-answer-try = The server doesn't answer. Try again in a moment.

## upload
upload-was-cancelled = It was cancelled.
