<?php

declare(strict_types=1);

namespace App\Exchange\Fhir;

use App\Cases\BroughtEntry;
use App\Exchange\ClientRecord;
use App\Exchange\EntryWords;
use App\Exchange\RecordVisit;
use App\Models\EntryKind;
use Carbon\CarbonImmutable;
use Ramsey\Uuid\Uuid;

/**
 * One client as a bundle of FHIR R4 (4.0.1): the patient, an encounter a visit, an observation for each thing found or said, a procedure
 * for each muscle worked, a care plan for each plan agreed, and consents. Codes are our own, under `urn:somatrace:…`; no foreign code is
 * claimed to mean the same.
 */
final readonly class FhirBundle
{
    public const SYSTEM = 'urn:somatrace:';

    public const GENDERS = ['female' => 'female', 'male' => 'male', 'other' => 'other', 'unsaid' => 'unknown'];

    /** What a patient here has and the standard has no place for. */
    public const PATIENT_EXTENSIONS = [
        'pronoun' => 'valueCode', 'hand' => 'valueCode', 'skin' => 'valueCode', 'stoic' => 'valueBoolean', 'mass_kg' => 'valueDecimal',
        'guardian_name' => 'valueString', 'occupation' => 'valueString',
    ];

    public function __construct(private EntryWords $words)
    {
    }

    public function write(ClientRecord $record, CarbonImmutable $now): string
    {
        $resources = [$this->patient($record)];
        foreach ($record->visits as $visit) {
            array_push($resources, $this->encounter($record, $visit), ...$this->ofVisit($record, $visit));
        }
        $bundle = [
            'resourceType' => 'Bundle', 'type' => 'collection', 'timestamp' => $now->toIso8601ZuluString(),
            'entry' => array_map(
                fn (array $resource): array => [
                    'fullUrl' => $this->urn((string) $resource['resourceType'], (string) $resource['id']), 'resource' => $resource,
                ],
                $resources,
            ),
        ];

        return json_encode($bundle, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)."\n";
    }

    /** @return array<string, mixed> */
    private function patient(ClientRecord $record): array
    {
        $told = $record->details;
        $telecom = static fn (?string $phone, ?string $email): array => array_values(array_filter([
            $phone === null ? null : ['system' => 'phone', 'value' => $phone],
            $email === null ? null : ['system' => 'email', 'value' => $email],
        ]));
        $extensions = [];
        foreach (self::PATIENT_EXTENSIONS as $key => $type) {
            if ($told[$key] !== null && $told[$key] !== false) { // a box that nobody ticked says nothing
                $extensions[] = ['url' => self::SYSTEM.$key, $type => $told[$key]];
            }
        }

        return array_filter([
            'resourceType' => 'Patient', 'id' => $record->id, 'extension' => $extensions,
            'identifier' => [['system' => self::SYSTEM.'client', 'value' => $told['code']]],
            'name' => [['text' => $told['name']]], 'telecom' => $telecom($told['phone'], $told['email']),
            'gender' => self::GENDERS[$told['sex']], 'birthDate' => $told['born_on'],
            'address' => $told['address'] === null ? [] : [['text' => $told['address']]],
            'contact' => array_map(static fn (array $one): array => array_filter([
                'extension' => $one['note'] === null ? [] : [['url' => self::SYSTEM.'note', 'valueString' => $one['note']]],
                'relationship' => [['coding' => [['system' => self::SYSTEM.'contact', 'code' => $one['kind']]]]],
                'name' => ['text' => $one['name']], 'telecom' => $telecom($one['phone'], $one['email']),
            ], static fn (array $part): bool => $part !== []), $told['contacts']),
        ], static fn (mixed $part): bool => $part !== []);
    }

    /** @return array<string, mixed> */
    private function encounter(ClientRecord $record, RecordVisit $visit): array
    {
        return [
            'resourceType' => 'Encounter', 'id' => $visit->id,
            'identifier' => [['system' => self::SYSTEM.'visit', 'value' => (string) $visit->number]],
            'status' => $visit->status === 'open' ? 'in-progress' : 'finished',
            'class' => ['system' => 'http://terminology.hl7.org/CodeSystem/v3-ActCode', 'code' => 'AMB', 'display' => 'ambulatory'],
            'subject' => $this->subject($record), 'participant' => [['individual' => ['display' => $visit->therapist]]],
            'period' => ['start' => $visit->at->toIso8601String()],
            'length' => ['value' => $visit->minutes, 'unit' => 'min', 'system' => 'http://unitsofmeasure.org', 'code' => 'min'],
        ];
    }

    /** @return list<array<string, mixed>> */
    private function ofVisit(ClientRecord $record, RecordVisit $visit): array
    {
        $resources = [];
        foreach ($visit->entries as $index => $entry) {
            $resources[] = match ($entry->kind) {
                EntryKind::Consent, EntryKind::Guardian => $this->consent($record, $visit, $entry, $index),
                default => $this->observation($record, $visit, $entry, $index),
            };
        }
        foreach ($visit->done as $index => $done) {
            $resources[] = [
                'resourceType' => 'Procedure', 'id' => $this->id($visit, 'p', $index), 'extension' => [$this->part('done', $done)],
                'status' => 'completed',
                'code' => ['coding' => [['system' => self::SYSTEM.'technique', 'code' => (string) ($done['technique'] ?? 'massage')]]],
                'subject' => $this->subject($record), 'encounter' => $this->encounterOf($visit),
                'performedDateTime' => $visit->day(),
                'bodySite' => [['coding' => [$this->worked($done), ['system' => self::SYSTEM.'side', 'code' => (string) $done['side']]]]],
            ];
        }
        if ($visit->plan !== null) {
            $resources[] = $this->carePlan($record, $visit, $visit->plan);
        }

        return $resources;
    }

    /** @return array<string, mixed> each part of what was found a component, so that any reader sees the numbers */
    private function observation(ClientRecord $record, RecordVisit $visit, BroughtEntry $entry, int $index): array
    {
        $observation = [
            'resourceType' => 'Observation', 'id' => $this->id($visit, 'o', $index),
            'extension' => [
                ['url' => self::SYSTEM.'phase', 'valueCode' => $entry->phase],
                ['url' => self::SYSTEM.'identity', 'valueString' => $entry->identity === '' ? '-' : $entry->identity],
            ],
            'status' => 'final',
            'category' => [[
                'coding' => [[
                    'system' => 'http://terminology.hl7.org/CodeSystem/observation-category',
                    'code' => $entry->kind->isFinding() && $entry->kind !== EntryKind::Complaint && $entry->kind !== EntryKind::Function
                        ? 'exam'
                        : 'survey',
                ]],
            ]],
            'code' => [
                'coding' => [['system' => self::SYSTEM.'entry', 'code' => $entry->kind->value]],
                'text' => $this->words->name($entry->kind, $entry->identity),
            ],
            'subject' => $this->subject($record), 'encounter' => $this->encounterOf($visit), 'effectiveDateTime' => $entry->saidOn,
        ];
        if (! is_array($entry->payload) || array_is_list($entry->payload)) {
            return [...$observation, ...$this->value($entry->payload)];
        }
        $components = [];
        foreach ($entry->payload as $part => $value) {
            $components[] = [
                'code' => ['coding' => [['system' => self::SYSTEM.'part', 'code' => (string) $part]]], ...$this->value($value),
            ];
        }

        return [...$observation, 'component' => $components];
    }

    /** @return array<string, mixed> */
    private function consent(ClientRecord $record, RecordVisit $visit, BroughtEntry $entry, int $index): array
    {
        $told = (array) $entry->payload;

        return [
            'resourceType' => 'Consent', 'id' => $this->id($visit, 'c', $index),
            'extension' => [
                $this->part($entry->kind->value, $told),
                ['url' => self::SYSTEM.'encounter', 'valueReference' => $this->encounterOf($visit)],
            ],
            'status' => ($told['given'] ?? false) === true ? 'active' : 'rejected',
            'scope' => ['coding' => [['system' => 'http://terminology.hl7.org/CodeSystem/consentscope', 'code' => 'treatment']]],
            'category' => [['coding' => [['system' => self::SYSTEM.'consent', 'code' => (string) ($told['area'] ?? 'guardian')]]]],
            'patient' => $this->subject($record), 'dateTime' => is_string($told['asked_at'] ?? null) ? $told['asked_at'] : $entry->saidOn,
            'policyRule' => ['text' => (string) ($told['said'] ?? 'Asked at the visit')],
        ];
    }

    /**
     * @param  array<string, mixed>  $plan
     * @return array<string, mixed>
     */
    private function carePlan(ClientRecord $record, RecordVisit $visit, array $plan): array
    {
        $activities = [];
        foreach ((array) ($plan['steps'] ?? []) as $step) {
            if (is_array($step) && ($step['kind'] ?? null) === 'treat') {
                $activities[] = ['detail' => [
                    'code' => ['coding' => [['system' => self::SYSTEM.'technique', 'code' => (string) ($step['technique'] ?? 'massage')]]],
                    'status' => $visit->status === 'open' ? 'scheduled' : 'completed',
                    'description' => trim("{$step['muscle']} {$step['side']}, {$step['minutes']} min"),
                ]];
            }
        }

        return array_filter([
            'resourceType' => 'CarePlan', 'id' => $this->id($visit, 'plan', 0),
            'status' => $visit->status === 'open' ? 'active' : 'completed', 'intent' => 'plan', 'title' => "Visit {$visit->number}",
            'subject' => $this->subject($record), 'encounter' => $this->encounterOf($visit), 'created' => $visit->day(),
            'activity' => $activities,
        ], static fn (mixed $part): bool => $part !== []);
    }

    /** @return array<string, mixed> */
    private function value(mixed $value): array
    {
        return match (true) {
            is_bool($value) => ['valueBoolean' => $value],
            is_int($value), is_float($value) => ['valueQuantity' => ['value' => $value]],
            is_string($value) && $value !== '' => ['valueString' => $value],
            // several words or places at once: as the case format has them
            default => [
                'extension' => [[
                    'url' => self::SYSTEM.'json',
                    'valueString' => (string) json_encode($value, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES),
                ]],
            ],
        };
    }

    /**
     * @param  array<array-key, mixed>  $done
     * @return array{system: string, code: string} a muscle or a joint
     */
    private function worked(array $done): array
    {
        return is_string($done['muscle'] ?? null)
            ? ['system' => self::SYSTEM.'muscle', 'code' => $done['muscle']]
            : ['system' => self::SYSTEM.'joint', 'code' => implode('.', array_filter((array) ($done['joint'] ?? []), is_string(...)))];
    }

    /**
     * @param  array<array-key, mixed>  $value
     * @return array<string, mixed>
     */
    private function part(string $name, array $value): array
    {
        return [
            'url' => self::SYSTEM.$name, 'valueString' => (string) json_encode($value, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES),
        ];
    }

    /** @return array<string, string> */
    private function subject(ClientRecord $record): array
    {
        return ['reference' => $this->urn('Patient', $record->id)];
    }

    /** @return array<string, string> */
    private function encounterOf(RecordVisit $visit): array
    {
        return ['reference' => $this->urn('Encounter', $visit->id)];
    }

    /**
     * A resource stands at no server: within the bundle it is named by a UUID (R4, Bundle, resolving references), the same one whenever it
     * goes out.
     */
    private function urn(string $type, string $id): string
    {
        return 'urn:uuid:'.Uuid::uuid5(Uuid::NAMESPACE_URL, self::SYSTEM."$type:$id")->toString();
    }

    private function id(RecordVisit $visit, string $letter, int $index): string
    {
        return "{$visit->id}-$letter$index";
    }
}
