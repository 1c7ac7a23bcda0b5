<?php

declare(strict_types=1);

namespace App\Console;

use App\Keeping\Doctor;
use App\Keeping\Finding;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;

final class DoctorCommand extends Command
{
    protected $signature = 'somatrace:doctor';

    protected $description = 'Looks the installation over: schema, orphans, signed notes, disk, backups; says what to do';

    public function handle(Doctor $doctor): int
    {
        $findings = $doctor->look(CarbonImmutable::now());
        foreach ($findings as $finding) {
            $this->line(sprintf(
                '%-14s %-6s %s%s', $finding->about, $finding->state, $finding->words,
                $finding->do === '' ? '' : "\n".str_repeat(' ', 22)."→ {$finding->do}",
            ));
        }

        return array_filter($findings, static fn (Finding $one): bool => $one->state === 'ill') === [] ? self::SUCCESS : self::FAILURE;
    }
}
