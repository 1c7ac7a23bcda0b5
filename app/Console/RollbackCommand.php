<?php

declare(strict_types=1);

namespace App\Console;

use Illuminate\Console\Command;

/** Says plainly what a step back would be: what was written since would be lost, and the audit with it. */
final class RollbackCommand extends Command
{
    protected $signature = 'migrate:rollback {--step=} {--batch=} {--force} {--pretend} {--database=} {--path=}';

    /** @var list<string> the same by other names */
    protected $aliases = ['migrate:reset', 'migrate:refresh'];

    protected $description = 'Not done here: says how to go back';

    public function handle(): int
    {
        $this->error('A step of the schema is not taken back: what was written since would be lost, and the audit is never rewritten.');
        $this->line(
            'To go back to the version before: restore the backup made before the update into an empty database (docs/hosting.md, "Going back").',
        );

        return self::FAILURE;
    }
}
