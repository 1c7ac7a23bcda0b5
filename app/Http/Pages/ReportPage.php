<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Cases\CourseReport;
use App\Models\Client;
use App\Models\ReportWords;
use App\Models\User;
use App\Models\Visit;
use App\Support\FigureSvg;
use App\Support\Paper;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Gate;
use Somatrace\Core\Record\Wording;

/** A report of a course for the client or for whoever sent them, in plain or clinical words, with figures of then and now. */
final readonly class ReportPage
{
    public function __construct(private CourseReport $report, private FigureSvg $figure, private Paper $paper)
    {
    }

    /**
     * @param  string  $for  of READERS; the client where it is none
     * @param  string  $words  plain, clinical or both; what suits the reader where it is none
     * @return array<string, mixed>
     */
    public function of(Client $client, User $user, string $for, string $words): array
    {
        $toClient = $for !== 'referrer';
        $reader = $toClient ? 'client' : 'referrer';
        $wording = Wording::tryFrom($words) ?? ($toClient ? Wording::Plain : Wording::Both);
        $last = $this->report->last($client);

        return [
            'client' => ['id' => $client->public_id, 'name' => $client->name, 'code' => $client->code, 'words' => Words::of($client)],
            'clinic' => $user->clinic->name, 'for' => $reader, 'wording' => $wording->value,
            'date' => $user->clinic->dateWords(CarbonImmutable::now()->setTimezone($user->clinic->timezone)),
            'born' => $toClient ? null : $user->clinic->dateWords($client->born_on),
            ...$last === null
                ? ['report' => null, 'figures' => null, 'therapist' => '', 'own' => null]
                : [...$this->told($last, $user, $toClient, $wording), 'own' => $this->own($last, $user, $reader)],
        ];
    }

    public function pdf(Client $client, User $user, string $for, string $words): string
    {
        $page = $this->of($client, $user, $for, $words);
        $figures = array_map(
            fn (array $one): string => $this->figure->of($one['complaints'], $one['felt'], true), $page['figures'] ?? [],
        );

        return $this->paper->pdf('papers.report', [...$page, 'drawn' => $figures]);
    }

    /**
     * @return array{visit: string, words: string, revision: int, writable: bool, before: array{words: string, date: string}|null} what was
     *         added to it; while nothing was, also what was added to the report before
     */
    private function own(Visit $last, User $user, string $reader): array
    {
        $all = ReportWords::query()->where('reader', $reader)->whereIn('visit_id', $last->client->visits()->select('id'))
            ->orderByDesc('updated_at')->get();
        $own = $all->firstWhere('visit_id', $last->id);
        $before = $own === null ? $all->first(static fn (ReportWords $one): bool => $one->words !== '') : null;

        return [
            'visit' => $last->public_id, 'words' => $own->words ?? '', 'revision' => $own->revision ?? 0,
            'writable' => Gate::forUser($user)->allows('report', $last->client),
            'before' => $before === null ? null : [
                'words' => $before->words,
                'date' => $user->clinic->dateWords($before->updated_at->setTimezone($user->clinic->timezone)),
            ],
        ];
    }

    /** @return array{report: array<string, mixed>, figures: array<string, mixed>|null, therapist: string} */
    private function told(Visit $last, User $user, bool $toClient, Wording $wording): array
    {
        $last->people();
        $figures = $this->report->figures($last);

        return [
            'report' => $this->report->of($last, $user, $toClient, $wording)->toArray(), 'therapist' => $last->user->name,
            'figures' => $figures === null ? null : array_map(static fn (array $one): array => [
                ...$one, 'date' => $user->clinic->dateWords(CarbonImmutable::parse($one['date'])),
            ], $figures),
        ];
    }
}
