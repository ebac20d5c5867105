/** A spec waits for what it waits for, however loaded the machine: a limit only ends one that hangs. */
jasmine.DEFAULT_TIMEOUT_INTERVAL = 180_000;
