<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Link;
use Jaunty\Core\Book\Node;

/** The fields that a class of the book declares at its properties, in the order of its constructor. Gathered once for each class. */
final class Fields
{
    /** The step that names the order of a list's items. */
    private const ORDER = '#order';

    /** @var array<class-string, self> */
    private static array $known = [];

    /** @var array<string, list<string>> what may stand in the object, under '', and in the objects inside it */
    private readonly array $allowed;

    /** @var ?array<string, Field> */
    private ?array $named = null;

    /** @param list<array{string, string, string, Field}> $fields property, the object inside that holds the field or '', its name there */
    private function __construct(public readonly array $fields)
    {
        $allowed = ['' => []];
        foreach ($fields as [, $group, $name, $field]) {
            if (! isset($allowed[$group])) {
                $allowed[''][] = $group;
                $allowed[$group] = [];
            }
            array_push($allowed[$group], ...($field instanceof Each ? $field->names : [$name]));
        }
        $this->allowed = $allowed;
    }

    /** @param class-string $class */
    public static function of(string $class): self
    {
        return self::$known[$class] ??= self::gather($class);
    }

    /** @return array<string, mixed> what the constructor takes, by property */
    public function read(Node $node): array
    {
        $holders = [];
        foreach ($this->allowed as $group => $names) {
            $holders[$group] = $group === '' ? $node : $node->object($group);
            $holders[$group]->allow(...$names);
        }
        $values = [];
        foreach ($this->fields as [$property, $group, $name, $field]) {
            $values[$property] = $field->read($holders[$group], $name);
        }

        return $values;
    }

    /** @return array<string, mixed> the canonical form: every field but the id */
    public function write(object $object): array
    {
        return $this->written(get_object_vars($object));
    }

    /** @return array<string, mixed> the canonical form as JSON has it: what is by name is an object, an empty one too */
    public function json(object $object): array
    {
        $written = $this->write($object);
        foreach ($this->fields as [, $group, $name, $field]) {
            if ($field instanceof Counts && $group === '') {
                $written[$name] = (object) $written[$name];
            }
        }

        return $written;
    }

    /**
     * @param  string  $before  what stands before each path, a slash at its end
     * @return list<Link>
     */
    public function links(object $object, string $before): array
    {
        $values = get_object_vars($object);
        $links = [];
        foreach ($this->fields as [$property, $group, $name, $field]) {
            $path = match (true) {
                $field instanceof Each => $before,
                $group === '' => "{$before}{$name}",
                default => "{$before}{$group}/{$name}",
            };
            foreach ($field->links($path, $values[$property]) as $link) {
                $links[] = $link;
            }
        }

        return $links;
    }

    /**
     * The canonical form of an object that says no more than it must.
     *
     * @param  array<string, mixed>  $written  the canonical form of the object itself
     * @return array<string, mixed>
     */
    public function defaults(array $written): array
    {
        return $this->written($this->read(Node::of($this->must($written))));
    }

    /**
     * @param  array<string, mixed>  $written
     * @return array<string, mixed> of these, the fields that no book may leave out
     */
    public function must(array $written): array
    {
        $must = [];
        foreach ($this->fields as [, , $name, $field]) {
            if ($field->must) {
                $must[$name] = $written[$name];
            }
        }

        return $must;
    }

    /** @return array<string, Field> as they stand in the book: by name, those inside an object as one */
    public function named(): array
    {
        return $this->named ??= $this->composed();
    }

    /** @return array<string, Field> */
    private function composed(): array
    {
        $fields = [];
        foreach ($this->fields as [, $group, $name, $field]) {
            if ($field instanceof Each) {
                $fields += array_fill_keys($field->names, $field->field);
            } elseif ($group !== '') {
                $before = $fields[$group] ?? null;
                $fields[$group] = new Shape([...($before instanceof Shape ? $before->fields : []), $name => $field]);
            } else {
                $fields[$name] = $field;
            }
        }

        return $fields;
    }

    /**
     * What a path of the object leads to, as edits and findings name it: fields, and items of a list by their item.
     *
     * @return ?Field null where it leads nowhere
     */
    public function at(string $path): ?Field
    {
        $steps = explode('/', $path);
        $field = $this->named()[array_shift($steps)] ?? null;
        foreach ($steps as $step) {
            $field = $step === self::ORDER ? $field : $field?->inside($step);
        }

        return $field;
    }

    /**
     * @param  array<mixed>  $values  by property
     * @return array<string, mixed>
     */
    private function written(array $values): array
    {
        $written = [];
        $inside = [];
        foreach ($this->fields as [$property, $group, $name, $field]) {
            if ($field instanceof Each) {
                $written += $field->write($values[$property]);
            } elseif ($group !== '') {
                $inside[$group][$name] = $field->write($values[$property]);
                $written[$group] = $inside[$group];
            } elseif (! $field instanceof Id) {
                $written[$name] = $field->write($values[$property]);
            }
        }

        return $written;
    }

    /** @param class-string $class */
    private static function gather(string $class): self
    {
        $isBeside = (new \ReflectionClass($class))->getAttributes(Beside::class) !== [];
        $fields = [];
        foreach ((new \ReflectionMethod($class, '__construct'))->getParameters() as $parameter) {
            $declared = $parameter->getAttributes(Field::class, \ReflectionAttribute::IS_INSTANCEOF);
            if ($declared === []) {
                throw new \LogicException("{$class}::\${$parameter->name} declares no field");
            }
            $declares = $declared[0]->newInstance();
            $field = $declares instanceof Each ? $declares->field : $declares;
            $field->isBeside = $isBeside || $parameter->getAttributes(Beside::class) !== [];
            $field->isSecret = $parameter->getAttributes(Secret::class) !== [];
            foreach ($parameter->getAttributes(Said::class) as $said) {
                $field->say($said->newInstance());
            }
            foreach ($parameter->getAttributes(Begins::class) as $begins) {
                $field->itemBegins = $begins->newInstance()->with;
            }
            foreach ($parameter->getAttributes(Left::class) as $left) {
                $field->left = $left->newInstance()->only;
            }
            $place = $declares->name ?? $parameter->name;
            $slash = strpos($place, '/');
            $fields[] = [$parameter->name, $slash === false ? '' : substr($place, 0, $slash), $slash === false ? $place : substr($place, $slash + 1), $declares];
        }

        return new self($fields);
    }
}
