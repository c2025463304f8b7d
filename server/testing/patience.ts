/** For machines that are shared with others, which sometimes stand still for seconds. */
jasmine.DEFAULT_TIMEOUT_INTERVAL = 30_000;
