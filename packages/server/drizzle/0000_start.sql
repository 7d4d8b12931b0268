CREATE TABLE `answers` (
	`key` text PRIMARY KEY NOT NULL,
	`request` text NOT NULL,
	`body` text NOT NULL,
	`created_at` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `assets` (
	`hash` text PRIMARY KEY NOT NULL,
	`kind` text NOT NULL,
	`size` integer NOT NULL,
	`bytes` blob NOT NULL,
	`created_at` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `facts` (
	`name` text PRIMARY KEY NOT NULL,
	`value` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `projects` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`words` text NOT NULL,
	`pieces` integer NOT NULL,
	`revision` integer NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `projects_updated` ON `projects` (`updated_at`);--> statement-breakpoint
CREATE TABLE `revisions` (
	`project_id` text NOT NULL,
	`number` integer NOT NULL,
	`kind` text NOT NULL,
	`name` text,
	`core_version` text NOT NULL,
	`document` text NOT NULL,
	`created_at` text NOT NULL,
	PRIMARY KEY(`project_id`, `number`),
	FOREIGN KEY (`project_id`) REFERENCES `projects`(`id`) ON UPDATE no action ON DELETE cascade
);
