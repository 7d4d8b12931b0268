CREATE TABLE `shapes` (
	`kind` text NOT NULL,
	`name` text NOT NULL,
	`points` text NOT NULL,
	`created_at` text NOT NULL,
	PRIMARY KEY(`kind`, `name`)
);
