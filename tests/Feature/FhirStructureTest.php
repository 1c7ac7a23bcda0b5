<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\BringVisits;
use App\Actions\CreateClient;
use App\Exchange\ClientFiles;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\Group;
use Tests\Support\MadeUpRecords;
use Tests\TestCase;

/**
 * Every bundle keeps the structure rules of FHIR R4, as far as our resources use them: fhir-r4.schema.json is written from the published
 * definitions of 4.0.1.
 */
final class FhirStructureTest extends TestCase
{
    #[Group('slow')]
    public function test_every_bundle_keeps_the_structure(): void
    {
        $user = $this->therapist();
        $people = MadeUpRecords::clients(12, 8);
        $types = [];
        foreach (MadeUpRecords::cases(8) as $index => $case) {
            $client = app(CreateClient::class)->handle($user, $people[$index]);
            $files = app(ClientFiles::class);
            $bring = app(BringVisits::class);
            $case['client']['guardian'] = [
                'given' => true, 'name' => 'Somebody', 'asked_by' => 'Ada Thorn', 'asked_at' => '2026-03-09T10:00:00Z',
            ];
            $brought = $files->read('case.json', (string) json_encode($case), $user->clinic);
            $bring->handle($client, $user, $brought, $bring->preview($client, $user, $brought)['digest']);
            if ($index === 0) {
                // one visit made here, planned, for the care plan
                $visit = $this->visit($user, $client);
                $this->denyEverything($visit);
                $this->recordNeck($visit);
                foreach (['neck', 'front_of_neck'] as $area) {
                    $this->save($visit, 'consent', ['area' => $area, 'given' => true]);
                }
                $this->post("/visits/{$visit->public_id}/plan");
            }
            $bundle = json_decode((string) $files->write('fhir.json', $client, $user->clinic));

            self::assertSame([], $this->faults($bundle), "case $index");
            foreach ($bundle->entry as $entry) {
                $types[$entry->resource->resourceType] = true;
            }
            foreach (array_unique($this->references($bundle)) as $reference) {
                self::assertContains($reference, array_column($bundle->entry, 'fullUrl'), 'what is referred to is in the bundle');
            }
            self::assertCount(
                count($bundle->entry), array_unique(array_column($bundle->entry, 'fullUrl')), 'each resource has a name of its own',
            );
        }
        ksort($types);
        self::assertSame(['CarePlan', 'Consent', 'Encounter', 'Observation', 'Patient', 'Procedure'], array_keys($types));
    }

    public function test_the_schema_refuses_what_the_standard_does(): void
    {
        $good = json_decode(
            (string) json_encode([
                'resourceType' => 'Bundle', 'type' => 'collection',
                'entry' => [['resource' => ['resourceType' => 'Observation', 'id' => 'a', 'status' => 'final', 'code' => ['text' => 'x']]]],
            ]),
        );
        self::assertSame([], $this->faults($good));
        foreach ([
            static fn (object $observation) => $observation->status = 'done',
            static fn (object $observation) => $observation->effectiveDateTime = '9 March',
            static fn (object $observation) => $observation->mood = 1,
            static function (object $observation): void {
                unset($observation->code);
            },
            static function (object $observation): void {
                $observation->valueString = 'a';
                $observation->valueBoolean = true;
            },
            static fn (object $observation) => $observation->id = 'not an id!',
        ] as $number => $spoil) {
            $bad = json_decode((string) json_encode($good));
            $spoil($bad->entry[0]->resource);
            self::assertNotSame([], $this->faults($bad), "fault $number");
        }
    }

    /** @return list<string> */
    private function references(mixed $part): array
    {
        $found = [];
        foreach (is_object($part) || is_array($part) ? (array) $part : [] as $key => $value) {
            $found = $key === 'reference' && is_string($value) ? [...$found, $value] : [...$found, ...$this->references($value)];
        }

        return $found;
    }

    /** @return array<array-key, mixed> */
    private function faults(mixed $bundle): array
    {
        $schema = json_decode((string) file_get_contents(base_path('tests/fixtures/fhir-r4.schema.json')));
        $error = (new Validator)->validate($bundle, $schema)->error();

        return $error === null ? [] : (new ErrorFormatter)->formatKeyed($error);
    }
}
