CREATE TABLE `parts` (
	`hash` text PRIMARY KEY NOT NULL,
	`bytes` blob NOT NULL
);
