<?php

declare(strict_types=1);

namespace App\TakingOn;

use App\Access\AccessDenied;
use App\Access\Scope;
use App\Book\Applications;
use App\Book\KnownNumbers;
use App\Book\NumberNotFree;
use App\Book\RevisionWriter;
use App\Models\TenantRow;
use App\Switching\SwitchConnector;
use App\Switching\Switches;
use App\Time\Clock;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Str;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Stage;
use Jaunty\Core\Templates\Answers;
use Jaunty\Core\Templates\Circumstances;
use Jaunty\Core\Templates\Expansion;
use Jaunty\Core\Templates\Template;
use Jaunty\Core\Templates\UnusableAnswers;
use Jaunty\Core\Templates\UnusableTemplate;

/** From a template and a customer's answers to a book: shown first, then entered whole or not at all. */
final readonly class TakingOn
{
    /** Names this use of a template at a customer, and with it the ids of what it makes. */
    public const APPLICATION = 'taking-on';

    private const KEY_CONSTRAINT = '"tenants_key_key"';

    private const NAME_TAKEN = 'another customer has this name; add the town or the street';

    public function __construct(
        private Templates $templates,
        private Applications $applications,
        private Scope $scope,
        private RevisionWriter $revisions,
        private Switches $switches,
        private Clock $clock,
        private KnownNumbers $numbers,
    ) {
    }

    /**
     * What would be made, as far as the answers go. Nothing is written.
     *
     * @param  array<string, mixed>  $given
     *
     * @throws UnusableAnswers when there is no such template
     * @throws AccessDenied
     */
    public function preview(string $technicianId, string $templateKey, array $given): Preview
    {
        $template = $this->template($templateKey)['template'];
        $answers = Answers::read($template, $given, $this->circumstances());
        $tenantId = (string) Str::uuid();

        return $this->scope->newTenant(
            $technicianId,
            $tenantId,
            function () use ($template, $answers, $given, $tenantId): Preview {
                try {
                    return new Preview($answers, $this->expand($template, $answers, $tenantId), [], true);
                } catch (UnusableAnswers $fault) {
                    return new Preview(
                        $answers,
                        $this->soundPart($template, $answers, $given, $fault->faults, $tenantId),
                        $fault->faults,
                        false,
                    );
                }
            },
        );
    }

    /**
     * What the answers would make without those at fault; null where it needs them.
     *
     * @param  array<string, mixed>  $given
     * @param  array<string, string>  $faults
     */
    private function soundPart(
        Template $template,
        Answers $answers,
        array $given,
        array $faults,
        string $tenantId,
    ): ?Expansion {
        $rest = $answers;
        // As they are, should only a name be taken; else without the cells, and where a row needs its cell, without the
        // row.
        foreach ([null, false, true] as $wholeRows) {
            if ($wholeRows !== null) {
                $given = $rest->without($given, array_keys($faults), $wholeRows);
                $rest = Answers::read($template, $given, $this->circumstances());
            }
            try {
                if ($rest->faults === []) {
                    return $this->expansion($template, $rest, $tenantId, $this->switches->standard());
                }
                $faults = $rest->faults;
            } catch (UnusableAnswers $fault) {
                $faults = $fault->faults;
            }
        }

        return null;
    }

    /**
     * Takes the customer on: the tenant, its numbers from stock, its objects and revision 1 in one transaction.
     *
     * @param  array<string, mixed>  $given
     *
     * @throws UnusableAnswers|AccessDenied
     */
    public function takeOn(string $technicianId, string $templateKey, array $given): TenantRow
    {
        ['template' => $template, 'version' => $version] = $this->template($templateKey);
        $answers = Answers::read($template, $given, $this->circumstances());
        $tenantId = (string) Str::uuid();
        try {
            return $this->scope->newTenant($technicianId, $tenantId, fn (): TenantRow => $this->enter(
                $technicianId,
                $version->id,
                $answers->kept($given),
                $this->expand($template, $answers, $tenantId),
                $tenantId,
            ));
        } catch (UniqueConstraintViolationException $fault) {
            // Any other double is a fault of ours, and no name of theirs.
            if (! str_contains($fault->getMessage(), self::KEY_CONSTRAINT)) {
                throw $fault;
            }
            throw new UnusableAnswers(['name' => self::NAME_TAKEN]);
        } catch (NumberNotFree $fault) {
            throw new UnusableAnswers([$answers->placeOf($fault->number) ?? 'template' => $fault->getMessage()]);
        }
    }

    public function circumstances(): Circumstances
    {
        return Circumstances::at($this->clock->now());
    }

    /**
     * The book a customer's answers make of a template, fitted to the steps the switch stores.
     *
     * @throws UnusableAnswers also where what the template makes of them cannot stand in a book
     */
    public function expansion(
        Template $template,
        Answers $answers,
        string $tenantId,
        SwitchConnector $switch,
    ): Expansion {
        try {
            $expansion = Expansion::of($template, $answers, $tenantId, self::APPLICATION)->fittedTo(
                $switch->capabilities()->granularity(),
            );
        } catch (UnusableTemplate $fault) {
            throw new UnusableAnswers(['template' => $fault->getMessage()]);
        }
        $expansion = $expansion->withComingOver($answers->comingOver());
        $holders = [];
        $faults = [];
        foreach ($expansion->book->objects() as $object) {
            $extension = $object->extension();
            $other = $extension === null ? null : $holders[$extension] ?? null;
            if ($extension !== null && $other !== null) {
                $faults[$answers->placeOf($extension) ?? 'template'] = "{$extension} would be {$other->label()}'s and "
                    . "{$object->label()}'s; give another";
            }
            $holders[(string) $extension] = $object;
        }

        return $faults === [] ? $expansion : throw new UnusableAnswers($faults);
    }

    /** @return array{version: \App\Models\TemplateVersion, template: Template} */
    public function template(string $key): array
    {
        return $this->templates->newestOf($key)
            ?? throw new UnusableAnswers(['template' => "there is no template called \"{$key}\""]);
    }

    /** @throws UnusableAnswers where answers are at fault, the name is taken or a number is not free */
    private function expand(Template $template, Answers $answers, string $tenantId): Expansion
    {
        if ($answers->faults !== []) {
            throw new UnusableAnswers($answers->faults);
        }
        $expansion = $this->expansion($template, $answers, $tenantId, $this->switches->standard());
        $faults = [];
        if (TenantRow::query()->where('key', $expansion->book->tenant->key)->exists()) {
            $faults['name'] = self::NAME_TAKEN;
        }
        foreach ($expansion->book->all(Number::class) as $number) {
            $whyNot = $this->numbers->whyNot($number->key, $number->status);
            if ($whyNot !== null) {
                $faults[$answers->placeOf($number->key) ?? 'template'] = $whyNot;
            }
        }
        if ($faults !== []) {
            throw new UnusableAnswers($faults);
        }

        return $expansion;
    }

    /** @param array<string, mixed> $kept */
    private function enter(
        string $technicianId,
        string $versionId,
        array $kept,
        Expansion $expansion,
        string $tenantId,
    ): TenantRow {
        $book = $expansion->book;
        $tenant = TenantRow::query()->create([
            'id' => $tenantId,
            'key' => $book->tenant->key,
            'name' => $book->tenant->name,
            'stage' => Stage::Building->value,
            'zone' => $book->tenant->zone,
            'connector' => $this->switches->standard()->name(),
            'head_revision' => 0,
            'looked_after_by' => $technicianId,
        ]);
        $this->applications->add($tenantId, $versionId, $kept, $book);
        $this->revisions->begin($tenant, $technicianId, $book, $expansion->origins);

        return $tenant->refresh();
    }
}
