<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Cases\VisitNote;
use App\Exchange\Calendar\HomeCareCalendar;
use App\Models\Appointment;
use App\Models\EntryKind;
use App\Models\Visit;
use App\Support\Paper;
use App\Support\PoseSvg;
use Carbon\CarbonImmutable;
use Somatrace\Core\Clinic;
use Somatrace\Core\Record\HandedOut;

/** What was handed out for home, on one sheet: how, how much, how often, when to stop, and what to expect of the work. */
final readonly class HomeCarePage
{
    private const ADVICE = 'advice';

    public function __construct(
        private VisitNote $note,
        private Paper $paper,
        private PoseSvg $poses,
        private Clinic $clinic,
        private HomeCareCalendar $calendar,
    ) {
    }

    /** @return array<string, mixed> */
    public function of(Visit $visit): array
    {
        $record = $this->note->record($visit);
        $figures = $this->clinic->homeCareFigures();

        return [
            ...PaperHead::of($visit), 'expect' => $record->expect, 'advice' => $this->advice($visit),
            'given' => array_map(static fn (HandedOut $one): array => [
                'exercise' => $one->care->id, 'name' => $one->care->name, 'side' => $one->side?->value, 'steps' => $one->care->steps,
                'dose' => $one->dose, 'how_often' => $one->howOften, 'stop' => $figures->stop[$one->care->kind] ?? '',
            ], $record->homeCare),
        ];
    }

    /** In whoever's own words, as they stand in the note. */
    private function advice(Visit $visit): string
    {
        $words = $visit->isSigned()
            ? $visit->notes()->latest('revision')->value('advice')
            : $visit->entries()->where(['kind' => EntryKind::Text, 'phase' => 'before', 'identity' => self::ADVICE])->first()?->payload;

        return is_string($words) ? trim($words) : '';
    }

    /** To take along in a telephone, until the next visit. */
    public function calendar(Visit $visit, CarbonImmutable $now): string
    {
        $day = CarbonImmutable::parse($visit->day());
        $next = Appointment::query()->where('client_id', $visit->client_id)->where('status', 'booked')
            ->where('starts_at', '>', $day->endOfDay())->orderBy('starts_at')->first();

        return $this->calendar->write(
            $this->note->record($visit)->homeCare, $this->clinic->homeCareFigures(), $visit->public_id, $day,
            $next === null ? null : CarbonImmutable::parse($visit->user->clinic->day($next->starts_at)), $now,
        );
    }

    public function pdf(Visit $visit): string
    {
        $page = $this->of($visit);

        return $this->paper->pdf('papers.home-care', [
            ...$page, 'drawings' => array_map(fn (array $one): array => $this->poses->exercise($one['exercise']), $page['given']),
        ]);
    }
}
