<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Link;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\UnusableBook;

/**
 * The fields that a class of the book declares at its properties, in the order of its constructor. Gathered once for
 * each class.
 *
 * Whole books are read and written through here at every edit, so what most objects leave unset costs next to nothing:
 * their values are known beforehand, and what stands in a book as it stands in the class is copied as one.
 */
final class Fields
{
    /** The step that names the order of a list's items. */
    private const ORDER = '#order';

    /** @var array<class-string, self> */
    private static array $known = [];

    /** @var array<string, array<string, true>> what may stand in the object, under '', and in the objects inside it */
    private readonly array $allowed;

    /** @var array<int, mixed> what each field reads where nothing is set */
    private readonly array $absent;

    /** @var array<int, true> those of which the line above is known; any other is read in any case */
    private readonly array $isAbsent;

    /** @var array<string, true> objects inside of which the same is known whole */
    private readonly array $isSpared;

    /** @var array<string, mixed> every name of the canonical form in its order, for values to take their place */
    private readonly array $form;

    /** @var array<string, true> properties whose value and name in a book are the same */
    private readonly array $plain;

    /** @var list<array{string, string, string, Field}> the others, but for the id */
    private readonly array $written;

    /** @var list<array{string, string, string, Field}> those that may lead to other objects */
    private readonly array $leading;

    /** @var ?array<string, Field> */
    private ?array $named = null;

    /**
     * @param  class-string  $class
     * @param  list<array{string, string, string, Field}>  $fields  property, the object inside that holds the field or
     *     '', its name there
     */
    private function __construct(private readonly string $class, public readonly array $fields)
    {
        $allowed = ['' => []];
        [$absent, $isAbsent, $form, $plain, $written, $leading] = [[], [], [], [], [], []];
        foreach ($fields as $index => [$property, $group, $name, $field]) {
            if (! isset($allowed[$group])) {
                $allowed[''][$group] = true;
                $allowed[$group] = [];
            }
            $names = $field instanceof Each ? $field->names : [$name];
            $allowed[$group] += array_fill_keys($names, true);
            $isAlone = ! $field->must && $field->isAlone();
            $absent[] = $isAlone ? $field->read(Node::of([]), $name) : null;
            $isAbsent += $isAlone ? [$index => true] : [];
            $leading = $field->leads() ? [...$leading, [$property, $group, $name, $field]] : $leading;
            if ($field instanceof Id) {
                continue;
            }
            $form += $group === '' ? array_fill_keys($names, null) : [$group => []];
            if ($field->isPlain() && $group === '' && $property === $name) {
                $plain[$property] = true;
            } else {
                $written[] = [$property, $group, $name, $field];
            }
        }
        [$this->allowed, $this->absent, $this->isAbsent] = [$allowed, $absent, $isAbsent];
        $this->isSpared = array_diff_key(
            array_fill_keys(array_keys($allowed), true),
            array_flip(array_column(array_diff_key($fields, $isAbsent), 1)),
        );
        [$this->form, $this->plain, $this->written, $this->leading] = [$form, $plain, $written, $leading];
    }

    /** @param class-string $class */
    public static function of(string $class): self
    {
        return self::$known[$class] ??= self::gather($class);
    }

    /**
     * @return array<int, mixed> what the constructor takes, in its order
     *
     * @throws UnusableBook naming the path of the first fault
     */
    public function read(Node $node): array
    {
        $node->allowNamed($this->allowed['']);
        $holders = ['' => $node];
        $bare = ['' => $node->bare()];
        foreach ($this->allowed as $group => $names) {
            if ($group === '' || ! isset($bare[''][$group]) && isset($this->isSpared[$group])) {
                continue;
            }
            $holders[$group] = $node->object($group);
            $holders[$group]->allowNamed($names);
            $bare[$group] = $holders[$group]->bare();
        }
        $values = $this->absent;
        foreach ($this->fields as $index => [, $group, $name, $field]) {
            if (isset($bare[$group][$name]) || ! isset($this->isAbsent[$index])) {
                $values[$index] = $field->read($holders[$group], $name);
            }
        }

        return $values;
    }

    /** @return array<string, mixed> the canonical form: every field but the id */
    public function write(object $object): array
    {
        $values = get_object_vars($object);
        $written = array_replace($this->form, array_intersect_key($values, $this->plain));
        $inside = [];
        foreach ($this->written as [$property, $group, $name, $field]) {
            $value = $values[$property];
            if ($field instanceof Each) {
                $written = array_replace($written, $field->write($value));
            } elseif ($value === null && $group === '' && ! $field instanceof Own) {
                continue;
            } else {
                $is = match (true) {
                    $value instanceof \BackedEnum => $value->value,
                    $value instanceof Reference => (string) $value,
                    default => $field->write($value),
                };
                if ($group === '') {
                    $written[$name] = $is;
                } else {
                    $inside[$group][$name] = $is;
                }
            }
        }

        return $inside === [] ? $written : array_replace($written, $inside);
    }

    /**
     * @return array<string, mixed> the canonical form as JSON has it: what is by name is an object, an empty one too
     */
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
        $values = $this->leading === [] ? [] : get_object_vars($object);
        $links = [];
        foreach ($this->leading as [$property, $group, $name, $field]) {
            $value = $values[$property];
            if ($value === null || $value === []) {
                continue;
            }
            if ($value instanceof Reference && $group === '') {
                $links[] = new Link("{$before}{$name}", $value);

                continue;
            }
            $path = match (true) {
                $field instanceof Each => $before,
                $group === '' => "{$before}{$name}",
                default => "{$before}{$group}/{$name}",
            };
            foreach ($field->links($path, $value) as $link) {
                $links[] = $link;
            }
        }

        return $links;
    }

    /**
     * @param  string  $before  what stands before each path, a slash at its end
     * @return array<string, string> where the object sends calls, as a book writes it, by path
     */
    public function sends(object $object, string $before = ''): array
    {
        $values = $this->leading === [] ? [] : get_object_vars($object);
        $sends = [];
        foreach ($this->leading as [$property, $group, $name, $field]) {
            $value = $values[$property];
            if ($value !== null && $value !== [] && ! $value instanceof Reference) {
                $sends += $field->sends(
                    $field instanceof Each ? $before : $before . ($group === '' ? '' : "{$group}/") . $name,
                    $value,
                );
            }
        }

        return $sends;
    }

    /**
     * The canonical form of an object that says no more than it must.
     *
     * @param  array<string, mixed>  $written  the canonical form of the object itself
     * @return array<string, mixed>
     */
    public function defaults(array $written): array
    {
        $bare = ($this->class)::read(Node::of($this->must($written)));

        return is_object($bare) ? $this->write($bare) : [];
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

    /**
     * @return array<string, Field> as they stand in the book: by name, those inside an object as one, with what is said
     *     of them
     */
    public function named(): array
    {
        return $this->named ??= $this->composed();
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

    /** @return array<string, Field> */
    private function composed(): array
    {
        $this->hear();
        $fields = [];
        foreach ($this->fields as [, $group, $name, $field]) {
            if ($field instanceof Each) {
                foreach ($field->names as $alike) {
                    $fields[$alike] = clone $field->field;
                    $fields[$alike]->say(new Said($field->field->said->inside[$alike] ?? null));
                }
            } elseif ($group !== '') {
                $before = $fields[$group] ?? null;
                $fields[$group] = new Shape([...($before instanceof Shape ? $before->fields : []), $name => $field]);
            } else {
                $fields[$name] = $field;
            }
        }

        return $fields;
    }

    /** Takes to each field what else is declared of it: only who describes fields needs that. */
    private function hear(): void
    {
        $isBeside = (new \ReflectionClass($this->class))->getAttributes(Beside::class) !== [];
        foreach ((new \ReflectionMethod($this->class, '__construct'))->getParameters() as $index => $parameter) {
            $declares = $this->fields[$index][3];
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
        }
    }

    /** @param class-string $class */
    private static function gather(string $class): self
    {
        $fields = [];
        foreach ((new \ReflectionMethod($class, '__construct'))->getParameters() as $parameter) {
            $declared = $parameter->getAttributes(Field::class, \ReflectionAttribute::IS_INSTANCEOF);
            if ($declared === []) {
                throw new \LogicException("{$class}::\${$parameter->name} declares no field");
            }
            $field = $declared[0]->newInstance();
            $place = $field->name ?? $parameter->name;
            $slash = strpos($place, '/');
            $fields[] = [
                $parameter->name, $slash === false ? '' : substr($place, 0, $slash),
                $slash === false ? $place : substr($place, $slash + 1), $field,
            ];
        }

        return new self($class, $fields);
    }
}
