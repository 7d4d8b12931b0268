CREATE TABLE `fonts` (
	`hash` text PRIMARY KEY NOT NULL,
	`description` text NOT NULL,
	`created_at` text NOT NULL,
	`removed_at` text,
	FOREIGN KEY (`hash`) REFERENCES `assets`(`hash`) ON UPDATE no action ON DELETE no action
);
