<!-- What the two layers and the frame of a drawn week mean. -->
<script lang="ts">
</script>

Above what is asked, below what the recorder holds; a dotted frame where the two differ.
<span class="whitespace-nowrap">C continuous · M motion · A alarm · R analytics rule</span>
