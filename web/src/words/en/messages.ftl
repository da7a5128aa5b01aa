### What an owner reads: messages.

## MessagesView
messages-view-messages = Messages
messages-view-written-shoppers-nothing-sent = written to shoppers; nothing is sent from this demo shop
messages-view-find-address-word = Find by address or word
messages-view-find-messages = Find messages
messages-view-to = to { $address }
messages-view-no-message-has-word = No message has this word.
messages-view-no-message-was-written = No message was written yet. The first one comes with the first order.
