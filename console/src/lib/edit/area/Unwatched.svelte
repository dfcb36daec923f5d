<svelte:options namespace="svg" />

<script lang="ts">
  /** The texture of cells that are not watched, legible on a bright picture and on a dark one. */
  const SIZE = 9;
</script>

<defs>
  <pattern
    id="unwatched"
    width={SIZE}
    height={SIZE}
    patternUnits="userSpaceOnUse"
    patternTransform="rotate(45)"
  >
    <rect width={SIZE} height={SIZE} fill="#0b1214" fill-opacity="0.5" />
    <rect width={SIZE / 3} height={SIZE} fill="#dfe6e4" fill-opacity="0.32" />
  </pattern>
</defs>
