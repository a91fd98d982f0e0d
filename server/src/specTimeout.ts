// A spec ends by the state it waits for. The limit is for one that never comes, and other work may keep the machine.
jasmine.DEFAULT_TIMEOUT_INTERVAL = 300_000;
