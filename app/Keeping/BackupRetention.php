<?php

declare(strict_types=1);

namespace App\Keeping;

use Carbon\CarbonImmutable;

/** Where backups lie, and which of them still have to: the last seven days, a week for five weeks, a month for a year. */
final readonly class BackupRetention
{
    private const DAYS = 7;

    private const WEEKS = 5;

    private const MONTHS = 12;

    public function __construct(private string $folder)
    {
    }

    public function place(CarbonImmutable $now): string
    {
        if (! is_dir($this->folder) && ! @mkdir($this->folder, 0700, true)) {
            throw BackupRefused::because("{$this->folder} cannot be made.");
        }

        return "{$this->folder}/somatrace-{$now->utc()->format('Ymd-His')}.backup";
    }

    /** @return array<string, CarbonImmutable> when each was made, newest first, by path */
    public function all(): array
    {
        $found = [];
        foreach (glob("{$this->folder}/somatrace-*.backup") ?: [] as $path) {
            $made = preg_match('/somatrace-(\d{8}-\d{6})\.backup$/', $path, $name) === 1
                ? CarbonImmutable::createFromFormat('Ymd-His', $name[1], 'UTC')
                : null;
            if ($made instanceof CarbonImmutable) {
                $found[$path] = $made;
            }
        }
        arsort($found);

        return $found;
    }

    /** @return list<string> those taken off the shelf */
    public function tidy(CarbonImmutable $now): array
    {
        $gone = array_keys(array_diff_key($this->all(), self::kept($this->all(), $now)));
        array_map(unlink(...), $gone);

        return $gone;
    }

    /**
     * The first of each day, week and month; the newest always.
     *
     * @param  array<string, CarbonImmutable>  $made
     * @return array<string, CarbonImmutable>
     */
    public static function kept(array $made, CarbonImmutable $now): array
    {
        asort($made);
        $kept = [];
        $seen = [];
        foreach ($made as $path => $at) {
            foreach (
                [
                    ['Y-m-d', $now->subDays(self::DAYS)], ['o-W', $now->subWeeks(self::WEEKS)],
                    ['Y-m', $now->subMonthsNoOverflow(self::MONTHS)],
                ] as [$span, $since]
            ) {
                $name = $at->format($span);
                if ($at->greaterThanOrEqualTo($since) && ! isset($seen[$span][$name])) {
                    $seen[$span][$name] = true;
                    $kept[$path] = $at;
                }
            }
        }
        $newest = array_key_last($made);

        return $newest === null ? [] : [...$kept, $newest => $made[$newest]];
    }
}
