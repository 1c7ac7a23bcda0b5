<?php

declare(strict_types=1);

namespace Somatrace\Core\HomeCare;

use Somatrace\Core\CaseFile\Stage;
use Somatrace\Core\Data\JsonFile;
use Somatrace\Core\Pattern\Role;

/** How much to give home, what each kind of it is held to, and what is too early, from data; all practice defaults. */
final readonly class HomeCareFigures
{
    /**
     * @param  int  $mostIfNotDone  where what was given last time was not done
     * @param  float  $doneFrom  from which share on it counts as done
     * @param  array<string, list<string>>  $as  techniques of the table that each kind is held to the limits of
     * @param  array<string, string>  $stop  when to stop, by kind
     * @param  array<string, list<string>>  $suits  roles that each kind suits
     * @param  array<string, int>  $effort  by kind
     * @param  array<string, array{kinds: list<string>, words: string}>  $stages  what a stage allows; what is not named allows all
     * @param  int  $calendarDays  how long it stands in a calendar where no next visit is booked
     * @param  array<string, array{at: list<string>, every: int}>  $times  by wording: times of the day, HH:MM, every so many days
     */
    private function __construct(
        public int $most,
        public int $mostIfNotDone,
        public float $doneFrom,
        public array $as,
        public array $stop,
        private array $suits,
        public array $effort,
        private array $stages,
        public int $calendarDays,
        private array $times,
    ) {
    }

    public static function load(string $folder): self
    {
        $file = JsonFile::read("$folder/self_care.json");
        $kinds = $file->fields('kinds');
        $as = $stop = $suits = $effort = $stages = [];
        foreach ($kinds->keys() as $kind) {
            $row = $kinds->fields($kind);
            [$as[$kind], $stop[$kind]] = [$row->strings('as'), $row->string('stop')];
            [$suits[$kind], $effort[$kind]] = [$row->strings('suits'), $row->int('effort')];
        }
        foreach ($file->fields('stages')->keys() as $stage) {
            $row = $file->fields('stages')->fields($stage);
            $stages[$stage] = ['kinds' => $row->strings('kinds'), 'words' => $row->string('words')];
        }

        $times = [];
        foreach ($file->fields('times')->keys() as $wording) {
            $row = $file->fields('times')->fields($wording);
            $times[$wording] = ['at' => $row->strings('at'), 'every' => $row->int('every')];
        }

        return new self(
            $file->int('most'), $file->int('most_if_not_done'), $file->float('done_from'), $as, $stop, $suits, $effort, $stages,
            $file->int('calendar_days'), $times,
        );
    }

    public function allows(?Stage $stage, string $kind): bool
    {
        $allowed = $this->stages[$stage->value ?? ''] ?? null;

        return $allowed === null || in_array($kind, $allowed['kinds'], true);
    }

    /** @return array{at: list<string>, every: int} when it is done, as it is worded; without a time it stands over the day */
    public function times(string $howOften): array
    {
        return $this->times[mb_strtolower(trim($howOften))] ?? ['at' => [], 'every' => 1];
    }

    /** What is said with it in this stage; empty where nothing is. */
    public function words(?Stage $stage): string
    {
        return $this->stages[$stage->value ?? '']['words'] ?? '';
    }

    public function suits(string $kind, Role $role): bool
    {
        return in_array($role->value, $this->suits[$kind] ?? [], true);
    }
}
