ALTER TABLE `projects` ADD `binned_at` text;
